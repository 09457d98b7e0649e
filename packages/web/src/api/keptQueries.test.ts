import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { QueryClient } from '@tanstack/react-query';
import { createTestDevice } from '../device/testing';
import { forgetQueries, keepAtOnce, keepQueries, type QueryKeeping, restoreQueries } from './keptQueries';

const LONG_MS = 5000;
const JOBS = ['jobs', 'list'];

beforeEach(() => void jest.useFakeTimers());
afterEach(() => void jest.useRealTimers());

/** A device with two people; who is signed in is what local storage says in every tab. */
function createDevice() {
  const { values, get, set, remove } = createTestDevice();
  const keeping = {
    values,
    get,
    set,
    delMany: async (keys: string[]) => void (await Promise.all(keys.map(remove))),
  };
  const session = { here: 'rieke' as string | null };
  const stops: (() => void)[] = [];
  const open = (personId: string) => {
    const queries = new QueryClient();
    stops.push(keepQueries(queries, personId, () => session.here === personId, keeping));
    return queries;
  };
  const closeAll = () => {
    for (const stop of stops) stop();
  };
  return { session, keeping, open, closeAll };
}

async function restored(personId: string, keeping: QueryKeeping): Promise<QueryClient> {
  const queries = new QueryClient();
  const restoring = restoreQueries(queries, personId, keeping);
  await jest.advanceTimersByTimeAsync(LONG_MS);
  await restoring;
  return queries;
}

describe('what the shop last said', () => {
  test('is there again, to be asked anew, and only what is meant to be kept', async () => {
    const { open, keeping, closeAll } = createDevice();
    const queries = open('rieke');
    queries.setQueryData(JOBS, [{ id: 'car' }]);
    queries.setQueryData(['people'], ['Okke']);
    await jest.advanceTimersByTimeAsync(LONG_MS);
    closeAll();

    const again = await restored('rieke', keeping);
    expect(again.getQueryData(JOBS)).toEqual([{ id: 'car' }]);
    expect(again.getQueryState(JOBS)?.isInvalidated).toBe(true);
    expect(again.getQueryData(['people'])).toBeUndefined();
    expect((await restored('okke', keeping)).getQueryData(JOBS)).toBeUndefined();
  });

  test('is there at once where somebody waits for it, once, and not of a page that keeps no longer', async () => {
    const { open, keeping, closeAll } = createDevice();
    const queries = open('rieke');
    queries.setQueryData(JOBS, [{ id: 'saved' }]);
    expect(keeping.values.size).toBe(0);
    const kept = keepAtOnce();
    // A device takes its time; nobody waits for the second in which more may come.
    await jest.advanceTimersByTimeAsync(50);
    await kept;
    const [key = ''] = keeping.values.keys();
    expect(JSON.stringify(keeping.values.get(key))).toContain('saved');
    keeping.values.clear();
    await jest.advanceTimersByTimeAsync(LONG_MS);
    expect(keeping.values.size).toBe(0);
    closeAll();
    queries.setQueryData(JOBS, [{ id: 'later' }]);
    await keepAtOnce();
    expect(keeping.values.size).toBe(0);
  });

  test('is gone when they leave, though an answer came in the second before, in this tab or in another', async () => {
    const { session, open, keeping, closeAll } = createDevice();
    const tabs = [open('rieke'), open('rieke')];
    for (const queries of tabs) queries.setQueryData(JOBS, ['early']);
    await jest.advanceTimersByTimeAsync(LONG_MS);
    expect(keeping.values.size).toBe(1);

    for (const queries of tabs) queries.setQueryData(JOBS, ['late']);
    session.here = null;
    void forgetQueries('rieke', keeping);
    await jest.advanceTimersByTimeAsync(LONG_MS);
    closeAll();
    expect([...keeping.values.keys()]).toEqual([]);
  });

  test('of an earlier form is not read, and is cleared away', async () => {
    const { open, keeping, closeAll } = createDevice();
    open('rieke').setQueryData(JOBS, ['now']);
    await jest.advanceTimersByTimeAsync(LONG_MS);
    closeAll();
    const [key = ''] = keeping.values.keys();
    const earlier = key.replace(/\.\d+\./, '.1.');
    expect(earlier).not.toBe(key);
    keeping.values.set(earlier, keeping.values.get(key));
    keeping.values.delete(key);

    expect((await restored('rieke', keeping)).getQueryData(JOBS)).toBeUndefined();
    expect(keeping.values.size).toBe(0);
  });

  test('of a device that keeps nothing is asked for as ever', async () => {
    const { open, keeping, closeAll } = createDevice();
    keeping.set = () => Promise.reject(new DOMException('no room', 'QuotaExceededError'));
    const queries = open('rieke');
    queries.setQueryData(JOBS, ['now']);
    await jest.advanceTimersByTimeAsync(LONG_MS);
    closeAll();
    expect(queries.getQueryData(JOBS)).toEqual(['now']);
    expect(keeping.values.size).toBe(0);
  });
});
