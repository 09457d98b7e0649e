/** Who is signed in here, and coming and going. */
import {
  getSession,
  nameDevice,
  type SessionState,
  setPassword,
  setPin,
  signIn,
  signInByPin,
  signOut,
  signOutEverywhere,
  startShop,
} from '@low-quarry/core/contracts/session';
import { type QueryClient, queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { z } from 'zod';
import { AwayError, call } from '../../api/call';
import { forgetQueries } from '../../api/keptQueries';
import { keepSession, readSession } from './keptSession';

export const sessionQuery = queryOptions({
  queryKey: ['session'],
  queryFn: async ({ signal }) => {
    try {
      const state = await call(getSession, { params: {}, signal });
      keepSession(state);
      return state;
    } catch (error) {
      const kept = error instanceof AwayError ? readSession() : null;
      if (kept) return kept;
      throw error;
    }
  },
  staleTime: Number.POSITIVE_INFINITY,
});

/** What the person before was shown is not for the next one. */
function comeIn(queries: QueryClient, state: SessionState): void {
  const before = queries.getQueryData(sessionQuery.queryKey);
  if (state.kind === 'signedOut' && before?.kind === 'signedIn') void forgetQueries(before.me.id);
  keepSession(state);
  queries.removeQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' });
  queries.setQueryData(sessionQuery.queryKey, state);
}

function useComing<Input>(mutationFn: (input: Input) => Promise<SessionState>) {
  const queries = useQueryClient();
  // A password is not sent again by itself.
  return useMutation({ mutationFn, retry: false, onSuccess: (state) => comeIn(queries, state) });
}

export const useSignIn = () => useComing((body: z.input<typeof signIn.body>) => call(signIn, { params: {}, body }));
export const useSignInByPin = () =>
  useComing((body: z.input<typeof signInByPin.body>) => call(signInByPin, { params: {}, body }));
export const useStartShop = () =>
  useComing((body: z.input<typeof startShop.body>) => call(startShop, { params: {}, body }));
export const useSignOut = () => useComing((_: undefined) => call(signOut, { params: {} }));

export const useSignOutEverywhere = () =>
  useComing(async (_: undefined) => {
    await call(signOutEverywhere, { params: {} });
    return call(getSession, { params: {} });
  });

function useOwn<Input, Answer>(mutationFn: (input: Input) => Promise<Answer>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn,
    retry: false,
    onSuccess: () => queries.invalidateQueries({ queryKey: sessionQuery.queryKey }),
  });
}

export const useSetPin = () => useOwn((body: z.input<typeof setPin.body>) => call(setPin, { params: {}, body }));
export const useSetPassword = () =>
  useOwn((body: z.input<typeof setPassword.body>) => call(setPassword, { params: {}, body }));
export const useNameDevice = () =>
  useOwn((body: z.input<typeof nameDevice.body>) => call(nameDevice, { params: {}, body }));
