/** Lets nobody past who is not signed in, and tells every screen behind it who is. */

import type { SessionState } from '@low-quarry/core/contracts/sessions';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useEffect, useState } from 'react';
import { Outlet } from 'react-router';
import { keepQueries, restoreQueries } from '../../api/keptQueries';
import { setLeaving } from '../../api/leaving';
import { MeContext } from '../../api/me';
import { NewerProgram } from '../../api/NewerProgram';
import { pageOwner, setPageOwner } from '../../api/pageOwner';
import { subscribeToSignedOut } from '../../api/signedOut';
import { askToKeep, deviceStore } from '../../device/DeviceStore';
import { openDrafts } from '../../device/drafts';
import { NotKeptBanner } from '../../device/NotKeptBanner';
import { forgetNotKept } from '../../device/notKept';
import { Outbox } from '../../outbox/Outbox';
import { OutboxProvider } from '../../outbox/OutboxProvider';
import { dropLostPictures } from '../../outbox/waitingPictures';
import { HeaderSlot } from '../../ui/headerSlot';
import { late, lateCode } from '../../ui/late';
import { NoticeBanner } from '../../ui/NoticeBanner';
import { Answered, Loading } from '../../ui/states';
import { forgetToasts } from '../../ui/toast';
import { FinderButton } from '../finder/FinderButton';
import { LiveChanges } from '../live/LiveChanges';
import { ScannerHeard } from '../scan/ScannerHeard';
import { Toasts } from '../toasts/Toasts';
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

/** Behind the first screen: it is needed once something was sent. */
const takingOver = lateCode(() => import('./takeOver').then((code) => code.takeOver));

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
          <OutboxProvider outbox={outbox} onDone={async () => (await takingOver())(queries, me.id)}>
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
