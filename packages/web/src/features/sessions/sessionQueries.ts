/** Who is signed in here, and coming and going. */
import {
  confirmPassword,
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
} from '@low-quarry/core/contracts/sessions';
import { type QueryClient, queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { z } from 'zod';
import { AwayError, call, ProblemError } from '../../api/call';
import { forgetQueries } from '../../api/keptQueries';
import { setLeaving } from '../../api/leaving';
import { forgetCatalogue, forgetKnownCatalogue } from '../../catalogue/forgetCatalogue';
import { keepLeft, keepSession, type Left, readLeft, readSession } from './keptSession';

/** What the server says, or what the device knows while it is away. */
export type Presence = SessionState | Left;

export const sessionQuery = queryOptions({
  queryKey: ['session'],
  queryFn: async ({ signal }): Promise<Presence> => {
    const left = readLeft();
    try {
      if (left) {
        await call(signOut, { params: {} }).catch((error: unknown) => {
          // The session may have run out by itself.
          if (!(error instanceof ProblemError)) throw error;
        });
        keepLeft(null);
      }
      const state = await call(getSession, { params: {}, signal });
      // Somebody came in meanwhile: the device keeps who it is now.
      signal.throwIfAborted();
      const before = readSession();
      keepSession(state);
      if (before && (state.kind !== 'signedIn' || state.me.id !== before.me.id)) await forgetQueries(before.me.id);
      if (before && state.kind !== 'signedIn') await forgetCatalogue();
      return state;
    } catch (error) {
      const known = error instanceof AwayError ? (left ?? readSession()) : null;
      if (known) return known;
      throw error;
    }
  },
  staleTime: Number.POSITIVE_INFINITY,
});

/** A device that does not get round to forgetting keeps nobody at the door, ms; it goes on with it. */
const FORGOTTEN_BY_MS = 3000;

async function forgotten(forgetting: Promise<void>): Promise<void> {
  await Promise.race([forgetting, new Promise((resolve) => setTimeout(resolve, FORGOTTEN_BY_MS))]);
}

/** What the person before was shown is not for the next one, and is gone before the screen says so. */
export async function comeIn(queries: QueryClient, state: Presence): Promise<void> {
  const before = queries.getQueryData(sessionQuery.queryKey);
  const isSame = before?.kind === 'signedIn' && state.kind === 'signedIn' && before.me.id === state.me.id;
  if (state.kind === 'left') keepLeft(state);
  keepSession(state.kind === 'left' ? { kind: 'firstStart' } : state);
  if (before?.kind === 'signedIn' && !isSame) await forgotten(forgetQueries(before.me.id));
  // The next person of the same shop may see the same parts.
  if (before?.kind === 'signedIn' && state.kind !== 'signedIn') {
    forgetKnownCatalogue();
    await forgotten(forgetCatalogue());
  }
  // Asked before they came in, answered after: it would show the one before under the next one's name.
  await queries.cancelQueries({ queryKey: sessionQuery.queryKey });
  queries.removeQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' });
  queries.setQueryData(sessionQuery.queryKey, state);
}

function useComing<Input>(mutationFn: (input: Input) => Promise<Presence>) {
  const queries = useQueryClient();
  // A password is not sent again by itself.
  return useMutation({ mutationFn, retry: false, onSuccess: (state) => comeIn(queries, state) });
}

export const useSignIn = () => useComing((body: z.input<typeof signIn.body>) => call(signIn, { params: {}, body }));
export const useSignInByPin = () =>
  useComing((body: z.input<typeof signInByPin.body>) => call(signInByPin, { params: {}, body }));
export const useStartShop = () =>
  useComing((body: z.input<typeof startShop.body>) => call(startShop, { params: {}, body }));

/** Who signs out asks for nothing else: what is on its way is called back first, and asked again where it fails. */
function useLeaving<Input>(mutationFn: (input: Input) => Promise<Presence>) {
  const queries = useQueryClient();
  return useComing(async (input: Input) => {
    setLeaving(true);
    try {
      await queries.cancelQueries();
      return await mutationFn(input);
    } catch (error) {
      setLeaving(false);
      void queries.invalidateQueries();
      throw error;
    }
  });
}

/** While the server is away it is told later; here it is done at once. */
export const useSignOut = () =>
  useLeaving(async ({ name, waiting }: { readonly name: string; readonly waiting: number }): Promise<Presence> => {
    try {
      return await call(signOut, { params: {}, whileLeaving: true });
    } catch (error) {
      if (error instanceof AwayError) return { kind: 'left', name, waiting };
      throw error;
    }
  });

export function useConfirmPassword() {
  return useMutation({
    mutationFn: (body: z.input<typeof confirmPassword.body>) => call(confirmPassword, { params: {}, body }),
    retry: false,
  });
}

export const useSignOutEverywhere = () =>
  useLeaving(async (_: undefined) => {
    await call(signOutEverywhere, { params: {}, whileLeaving: true });
    return call(getSession, { params: {}, whileLeaving: true });
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
