import { setTimeout as sleep } from 'node:timers/promises';
import { expect, test } from '@jest/globals';
import { Searches } from './Searches';

/** A search that ends when it is told to. */
function held(onEnd: () => void) {
  let end = () => {};
  const ended = new Promise<void>((resolve) => {
    end = resolve;
  });
  return { end, search: () => ended.then(onEnd) };
}

test('a person has one under way and one that waits; a newer one takes the waiting one’s place', async () => {
  const searches = new Searches();
  const done: string[] = [];
  const first = held(() => done.push('first'));
  const running = searches.one('rieke', first.search);
  const second = searches.one('rieke', async () => 'second');
  const third = searches.one('rieke', async () => done.push('third'));
  await expect(second).rejects.toMatchObject({ status: 429 });
  first.end();
  await Promise.all([running, third]);
  expect(done).toEqual(['first', 'third']);
});

test('however many search, two are under way; each has its turn', async () => {
  const searches = new Searches();
  let underWay = 0;
  let most = 0;
  const one = async () => {
    underWay++;
    most = Math.max(most, underWay);
    await sleep(5);
    underWay--;
  };
  await Promise.all(Array.from({ length: 30 }, (_, at) => searches.one(`person ${at}`, one)));
  expect([most, underWay]).toEqual([2, 0]);
});

test('one that fails gives its turn on', async () => {
  const searches = new Searches();
  const failing = Array.from({ length: 5 }, (_, at) =>
    searches.one(`person ${at}`, async () => {
      throw new Error('no');
    }),
  );
  for (const each of failing) await expect(each).rejects.toThrow('no');
  expect(await searches.one('last', async () => 'done')).toBe('done');
});
