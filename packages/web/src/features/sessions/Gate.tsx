/** Lets nobody past who is not signed in, and tells every screen behind it who is. */

import type { Opening } from '@low-quarry/core/contracts/openings';
import type { SessionState } from '@low-quarry/core/contracts/sessions';
import { type QueryClient, useQuery, useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useEffect, useState } from 'react';
import { Outlet } from 'react-router';
import { askAnew } from '../../api/askAnew';
import { keepQueries, restoreQueries } from '../../api/keptQueries';
import { setLeaving } from '../../api/leaving';
import { MeContext } from '../../api/me';
import { NewerProgram } from '../../api/NewerProgram';
import { pageOwner, setPageOwner } from '../../api/pageOwner';
import { subscribeToSignedOut } from '../../api/signedOut';
import { askToKeep, deviceStore } from '../../device/DeviceStore';
import { draftPrefix, forgetDraft, openDrafts } from '../../device/drafts';
import { NotKeptBanner } from '../../device/NotKeptBanner';
import { forgetNotKept } from '../../device/notKept';
import type { Entry } from '../../outbox/Entry';
import { Outbox } from '../../outbox/Outbox';
import { OutboxProvider } from '../../outbox/OutboxProvider';
import { refreshSaved } from '../../outbox/refreshSaved';
import { dropLostPictures, dropPicture } from '../../outbox/waitingPictures';
import { HeaderSlot } from '../../ui/headerSlot';
import { late } from '../../ui/late';
import { NoticeBanner } from '../../ui/NoticeBanner';
import { Answered, Loading } from '../../ui/states';
import { forgetToasts } from '../../ui/toast';
import { forgetBookedIn } from '../bookIn/bookInDraft';
import { FinderButton } from '../finder/FinderButton';
import { jobKeys } from '../jobs/jobKeys';
import { LiveChanges } from '../live/LiveChanges';
import { draftKey } from '../openings/draftKey';
import { openingKeys } from '../openings/openingKeys';
import { ScannerHeard } from '../scan/ScannerHeard';
import { Toasts } from '../toasts/Toasts';
import { NEW_VEHICLE_DRAFT } from '../vehicles/newVehicleDraft';
import type { SavedVehicle } from '../vehicles/useSaveVehicle';
import { WaitingLink } from '../waiting/WaitingLink';
import { readSession } from './keptSession';
import { LeftScreen } from './LeftScreen';
import { PasswordAsked } from './PasswordAsked';
import { PersonMenu } from './PersonMenu';
import { sessionQuery } from './sessionQueries';

// Whoever is signed in needs neither.
const FirstStartScreen = late(
  () => import('./FirstStartScreen').then((code) => code.FirstStartScreen),
  () => <Loading what="the first start" />,
);
const SignInScreen = late(
  () => import('./SignInScreen').then((code) => code.SignInScreen),
  () => <Loading what="the sign-in" />,
);

/** @param screen code of the screen that was asked for: it comes while who is signed in is asked */
export function Gate({ screen }: { readonly screen: Promise<void> }) {
  const session = useQuery(sessionQuery);
  const queries = useQueryClient();
  useEffect(
    () => subscribeToSignedOut(() => void queries.invalidateQueries({ queryKey: sessionQuery.queryKey })),
    [queries],
  );
  return (
    <>
      <NoticeBanner />
      <Answered query={session} what="who is signed in">
        {(state) => {
          if (state.kind === 'firstStart') return <FirstStartScreen />;
          if (state.kind === 'left') return <LeftScreen left={state} />;
          if (state.kind === 'signedOut') return <SignInScreen state={state} />;
          // By person and by what they may do: what one has open is nothing to the next.
          return <Inside state={state} screen={screen} key={`${state.me.id} ${state.me.roles.join(',')}`} />;
        }}
      </Answered>
    </>
  );
}

type InsideProps = {
  readonly state: Extract<SessionState, { kind: 'signedIn' }>;
  readonly screen: Promise<void>;
};

function Inside({ state, screen }: InsideProps) {
  const { me } = state;
  const queries = useQueryClient();
  // Before anything below asks for something: the effects of what is below come before one's own.
  setPageOwner(me);
  useEffect(() => {
    setPageOwner(me);
    return () => {
      setLeaving(false);
      if (pageOwner() === me) setPageOwner(null);
    };
  }, [me]);
  return (
    <MeContext value={me}>
      <Kept personId={me.id} screen={screen}>
        {(outbox) => (
          <OutboxProvider outbox={outbox} onDone={(entry, answer) => takeOver(queries, me.id, entry, answer)}>
            <NewerProgram />
            <LiveChanges />
            <ScannerHeard />
            <NotKeptBanner />
            <PasswordAsked />
            <Toasts />
            <HeaderSlot
              value={
                <>
                  <WaitingLink />
                  <FinderButton />
                  <PersonMenu state={state} />
                </>
              }
            >
              <Outlet />
            </HeaderSlot>
          </OutboxProvider>
        )}
      </Kept>
    </MeContext>
  );
}

/**
 * What this device keeps of a person is there before the first screen asks: the shop's answers, their drafts, what waits. And the
 * screen's own code, so that React does not hold it back for having shown something in its place.
 */
type KeptProps = {
  readonly personId: string;
  readonly screen: Promise<void>;
  readonly children: (outbox: Outbox) => ReactNode;
};

function Kept({ personId, screen, children }: KeptProps) {
  const queries = useQueryClient();
  const [outbox, setOutbox] = useState<Outbox | null>(null);
  useEffect(() => {
    const opened = new Outbox(personId, deviceStore);
    let stop = () => {};
    let isGone = false;
    void askToKeep();
    const read = Promise.all([
      openDrafts(deviceStore, personId),
      restoreQueries(queries, personId),
      opened.open(),
      screen,
    ]);
    void read.then(([closeDrafts]) => {
      if (isGone) return closeDrafts();
      void dropLostPictures(deviceStore, opened);
      const stopKeeping = keepQueries(queries, personId, () => readSession()?.me.id === personId);
      stop = () => {
        stopKeeping();
        closeDrafts();
      };
      setOutbox(opened);
    });
    return () => {
      isGone = true;
      stop();
      opened.close();
      forgetNotKept();
      forgetToasts();
    };
  }, [queries, personId, screen]);
  return outbox ? children(outbox) : <Loading what="what was kept here" />;
}

/** What the shop has now is what the screens show, and no draft any more. */
async function takeOver(queries: QueryClient, personId: string, entry: Entry, answer: unknown): Promise<void> {
  for (const queryKey of [jobKeys.all, ['orders'], ['undo'], ['history']]) void askAnew(queries, queryKey);
  if (entry.kind === 'saveOpening') {
    queries.setQueryData(openingKeys.one(entry.openingId), answer as Opening);
    // The screen may have been left before the answer came; what was typed on since stays a draft.
    const key = draftKey(personId, entry.openingId);
    await forgetDraft(deviceStore, key, entry.draft);
  } else if (entry.kind === 'addVehicle') {
    void refreshSaved(queries, 'vehicle', (answer as SavedVehicle).record.id, answer);
    await forgetDraft(deviceStore, `${draftPrefix(personId)}${NEW_VEHICLE_DRAFT}`, entry.draft);
  } else if (entry.kind === 'saveRecord') {
    void refreshSaved(queries, entry.of, entry.recordId, answer);
    await forgetDraft(deviceStore, `${draftPrefix(personId)}${entry.formName}`, entry.draft);
  } else {
    const gone = entry.kind === 'removeOpening' ? entry.openingId : null;
    void queries.invalidateQueries({ predicate: ({ queryKey: [name, id] }) => name === 'openings' && id !== gone });
  }
  if (entry.kind === 'addPhoto') {
    await dropPicture(deviceStore, entry);
    void askAnew(queries, ['photos']);
  }
  // The sheet may have been closed before the answer came.
  if (entry.kind === 'bookIn') await forgetBookedIn(deviceStore, personId, entry.job);
}
