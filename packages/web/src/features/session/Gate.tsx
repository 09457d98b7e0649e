/** Lets nobody past who is not signed in, and tells every screen behind it who is. */
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Outlet } from 'react-router';
import { MeContext } from '../../api/me';
import { subscribeToSignedOut } from '../../api/signedOut';
import { HeaderSlot } from '../../ui/headerSlot';
import { Answered } from '../../ui/states';
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
            <HeaderSlot value={<PersonMenu state={state} />}>
              <Outlet />
            </HeaderSlot>
          </MeContext>
        );
      }}
    </Answered>
  );
}
