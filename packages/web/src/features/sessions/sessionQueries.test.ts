import { afterEach, expect, jest, test } from '@jest/globals';
import type { SessionState } from '@low-quarry/core/contracts/sessions';
import { QueryClient } from '@tanstack/react-query';
import { comeIn, sessionQuery } from './sessionQueries';

const OKKE = signedIn('2f1f9f0e-61f1-4d0c-9f43-0d2b1f9a0001', 'Okke');
const RIEKE = signedIn('2f1f9f0e-61f1-4d0c-9f43-0d2b1f9a0002', 'Rieke');

const ownFetch = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = ownFetch;
});

/** A server that answers who is signed in only when it is told to. */
function createSlowServer() {
  let answer = (_: SessionState) => {};
  globalThis.fetch = jest.fn<typeof fetch>(
    () =>
      new Promise((resolve) => {
        answer = (state) => resolve(Response.json(state));
      }),
  );
  return { answer: (state: SessionState) => answer(state) };
}

test('an answer that was asked for before somebody came in does not show the one before again', async () => {
  const server = createSlowServer();
  const queries = new QueryClient();
  queries.setQueryData(sessionQuery.queryKey, OKKE);
  const asked = queries.fetchQuery({ ...sessionQuery, staleTime: 0 }).catch(() => {});
  await comeIn(queries, RIEKE);
  server.answer(OKKE);
  await asked;
  await new Promise((resolve) => setTimeout(resolve));
  expect(queries.getQueryData(sessionQuery.queryKey)).toEqual(RIEKE);
  queries.clear();
});

function signedIn(id: string, name: string): SessionState {
  return {
    kind: 'signedIn',
    shopName: 'Demo',
    me: { id, name, roles: ['fitter'], hasPin: true },
    deviceName: 'Bay 1',
    byPin: [],
    isDemo: true,
  };
}
