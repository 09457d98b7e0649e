/** Lets nobody past who is not signed in, and tells every screen behind it who is. */

import type { Opening } from '@low-quarry/core/contracts/openings';
import { type QueryClient, useQuery, useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useEffect, useState } from 'react';
import { Outlet } from 'react-router';
import { keepQueries, restoreQueries } from '../../api/keptQueries';
import { MeContext } from '../../api/me';
import { subscribeToSignedOut } from '../../api/signedOut';
import type { Entry } from '../../outbox/Entry';
import { OutboxProvider } from '../../outbox/OutboxProvider';
import { HeaderSlot } from '../../ui/headerSlot';
import { Answered, Loading } from '../../ui/states';
import { readStored, writeStored } from '../../ui/stored';
import { jobKeys } from '../jobs/jobsQueries';
import { LiveChanges } from '../live/LiveChanges';
import { draftKey } from '../openings/openingDraft';
import { openingKeys } from '../openings/openingQueries';
import { WaitingLink } from '../waiting/WaitingLink';
import { FirstStartScreen } from './FirstStartScreen';
import { PersonMenu } from './PersonMenu';
import { SignInScreen } from './SignInScreen';
import { sessionQuery } from './sessionQueries';

export function Gate() {
  const session = useQuery(sessionQuery);
  const queries = useQueryClient();
  useEffect(
    () => subscribeToSignedOut(() => void queries.invalidateQueries({ queryKey: sessionQuery.queryKey })),
    [queries],
  );
  return (
    <Answered query={session} what="who is signed in">
      {(state) => {
        if (state.kind === 'firstStart') return <FirstStartScreen />;
        if (state.kind === 'signedOut') return <SignInScreen state={state} />;
        // By person: what one has open is nothing to the next.
        return (
          <MeContext value={state.me} key={state.me.id}>
            <Kept personId={state.me.id}>
              <OutboxProvider
                personId={state.me.id}
                onDone={(entry, answer) => takeOver(queries, state.me.id, entry, answer)}
              >
                <LiveChanges />
                <HeaderSlot
                  value={
                    <>
                      <WaitingLink />
                      <PersonMenu state={state} />
                    </>
                  }
                >
                  <Outlet />
                </HeaderSlot>
              </OutboxProvider>
            </Kept>
          </MeContext>
        );
      }}
    </Answered>
  );
}

/** What was kept of the shop's answers is there before the first screen asks. */
function Kept({ personId, children }: { readonly personId: string; readonly children: ReactNode }) {
  const queries = useQueryClient();
  const [isRestored, setRestored] = useState(false);
  useEffect(() => {
    let stop = () => {};
    let isGone = false;
    void restoreQueries(queries, personId).then(() => {
      if (isGone) return;
      stop = keepQueries(queries, personId);
      setRestored(true);
    });
    return () => {
      isGone = true;
      stop();
    };
  }, [queries, personId]);
  return isRestored ? children : <Loading what="what was kept here" />;
}

/** What the shop has now is what the screens show. */
function takeOver(queries: QueryClient, personId: string, entry: Entry, answer: unknown): void {
  if (entry.kind === 'saveOpening') {
    queries.setQueryData(openingKeys.one(entry.openingId), answer as Opening);
    // The screen may have been left before the answer came; what was typed on since stays a draft.
    const key = draftKey(personId, entry.openingId);
    if (readStored(key) === entry.draft) writeStored(key, null);
  } else void queries.invalidateQueries({ queryKey: ['openings'] });
  for (const queryKey of [jobKeys.all, ['orders'], ['undo'], ['history']]) void queries.invalidateQueries({ queryKey });
}
