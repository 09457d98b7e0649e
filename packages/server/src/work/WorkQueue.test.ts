/** Work outside requests, with pg-boss on a real database: what is tried again, stopped, and cut off. */
import { randomUUID } from 'node:crypto';
import { afterAll, afterEach, beforeAll, beforeEach, expect, test } from '@jest/globals';
import { pino } from 'pino';
import { createTestDatabase, type TestDatabase } from '../testing/testDatabase';
import { untilOver, untilWork } from '../testing/untilOver';
import { type Progress, Refused, type Runner } from './Progress';
import { WorkQueue } from './WorkQueue';
import { WorkStore } from './WorkStore';

let database: TestDatabase;
const queues: WorkQueue[] = [];
beforeAll(async () => {
  database = await createTestDatabase({ hasQueue: true });
});
afterAll(() => database.drop());
beforeEach(() => database.db.query('DELETE FROM "work"'));
afterEach(async () => {
  for (const queue of queues.splice(0)) await queue.stop();
});

async function queueThat(run: Runner['run'], tries = 2): Promise<WorkQueue> {
  const { db, addresses } = database;
  const log = pino({ level: 'silent' });
  const runner = { tries, againAfterS: 0, run };
  const deps = { db, appUrl: addresses.appUrl, log, now: () => new Date(), newId: randomUUID };
  const queue = new WorkQueue(deps, { backup: runner, nightly: runner, list: runner });
  queues.push(queue);
  await queue.start();
  return queue;
}

/** Runs until it is told to end. */
const endless = ({ signal }: Progress) =>
  new Promise<string>((_, reject) => signal.addEventListener('abort', () => reject(signal.reason)));

test('is begun, says how far it is, and ends with what came of it', async () => {
  let goOn = () => {};
  const queue = await queueThat(async ({ say }) => {
    say('Carrying boxes', 0.25);
    await new Promise<void>((resolve) => {
      goOn = resolve;
    });
    return 'Seven boxes.';
  });
  const { id, ...asked } = await queue.ask('backup', 'Okke');
  expect(asked).toMatchObject({ kind: 'backup', askedBy: 'Okke', state: 'waiting', tries: 0 });
  expect(await untilWork(queue, id, ({ step }) => step !== '')).toMatchObject({
    state: 'running',
    step: 'Carrying boxes',
    share: 0.25,
    tries: 1,
  });
  goOn();
  expect(await untilOver(queue, id)).toMatchObject({ state: 'done', result: 'Seven boxes.', share: 1, fault: null });
});

test('asked for twice, it is one piece; once it has ended, the next is another', async () => {
  const queue = await queueThat(endless);
  const first = await queue.ask('backup', 'Okke');
  const both = await Promise.all([queue.ask('backup', 'Sunniva'), queue.ask('backup', null)]);
  expect(both.map(({ id }) => id)).toEqual([first.id, first.id]);
  expect((await queue.ask('nightly', null)).id).not.toBe(first.id);
  await untilWork(queue, first.id, ({ state }) => state === 'running');
  await queue.end({ ...first, state: 'running' });
  await untilOver(queue, first.id);
  expect((await queue.ask('backup', 'Okke')).id).not.toBe(first.id);
});

test('of a kind that is about something each is a piece of its own, and knows of what it is', async () => {
  const about: (string | null)[] = [];
  const queue = await queueThat(async (_, of) => {
    about.push(of);
    return 'Done.';
  });
  const [one, other] = ['00000000-0000-4000-8000-000000000001', '00000000-0000-4000-8000-000000000002'] as const;
  const pieces = [await queue.ask('list', 'Okke', one), await queue.ask('list', 'Okke', other)];
  for (const { id } of pieces) expect(await untilOver(queue, id)).toMatchObject({ state: 'done' });
  expect(about).toEqual([one, other]);
  expect((await queue.findAbout([one, other])).get(other)?.id).toBe(pieces[1]?.id);
});

test('that is refused is not tried again; asked for anew it is about the same', async () => {
  const about: (string | null)[] = [];
  const queue = await queueThat(async (_, of) => {
    about.push(of);
    throw new Refused('It is no list.');
  }, 3);
  const first = await queue.ask('list', 'Okke', '00000000-0000-4000-8000-000000000003');
  const failed = await untilOver(queue, first.id);
  expect(failed).toMatchObject({ state: 'failed', tries: 1, fault: 'It is no list.' });
  const again = await queue.again(failed, 'Sunniva');
  expect(await untilOver(queue, again.id)).toMatchObject({ state: 'failed', askedBy: 'Sunniva' });
  expect(about).toEqual(Array(2).fill('00000000-0000-4000-8000-000000000003'));
});

test('what is asked with a piece is there with it, or neither of them', async () => {
  const queue = await queueThat(async () => 'Done.');
  const asked = queue.ask('list', 'Okke', '00000000-0000-4000-8000-000000000004', async () => {
    throw new Error('no room for the file');
  });
  await expect(asked).rejects.toThrow('no room for the file');
  expect(await queue.list(5)).toEqual([]);
});

test('that fails is tried again, and counts as failed after its last try', async () => {
  let tries = 0;
  const queue = await queueThat(async () => {
    tries++;
    throw new Error(`no room, try ${tries}`);
  });
  const { id } = await queue.ask('backup', 'Okke');
  const failed = await untilWork(queue, id, ({ state }) => state === 'failed');
  expect(failed).toMatchObject({ tries: 2, fault: 'no room, try 2', nextTryAt: null });
});

test('that runs is stopped at its next step, and that waits at once', async () => {
  const queue = await queueThat(endless);
  const { id } = await queue.ask('backup', 'Okke');
  const runs = await untilWork(queue, id, ({ state }) => state === 'running');
  await queue.end(runs);
  expect(await untilOver(queue, id)).toMatchObject({ state: 'stopped', isStopping: true, fault: null });
  const again = await queue.ask('nightly', null);
  await queue.end(again);
  expect(await untilWork(queue, again.id, ({ state }) => state !== 'waiting')).toMatchObject({ state: 'stopped' });
});

test('that its server left is begun again by the next one, as often as it may be tried', async () => {
  const { id } = await (await queueThat(endless)).ask('backup', 'Okke');
  await untilWork(queues[0] as WorkQueue, id, ({ state }) => state === 'running');
  await queues.splice(0)[0]?.stop();
  expect(await WorkStore.on(database.db).find(id)).toMatchObject({ state: 'running' });
  const second = await queueThat(endless);
  expect(await untilWork(second, id, ({ tries }) => tries === 2)).toMatchObject({ state: 'running' });
  await queues.splice(0)[0]?.stop();
  const third = await queueThat(async () => 'done');
  expect(await third.find(id)).toMatchObject({ state: 'failed', fault: 'The server ended while it was at work.' });
  expect(await untilOver(third, (await third.ask('backup', 'Okke')).id)).toMatchObject({ state: 'done' });
});

test('that was to be stopped when its server ended is not begun again', async () => {
  const first = await queueThat(endless);
  const { id } = await first.ask('backup', 'Okke');
  await untilWork(first, id, ({ state }) => state === 'running');
  await queues.splice(0)[0]?.stop();
  await WorkStore.on(database.db).askToStop(id);
  const second = await queueThat(endless);
  expect(await second.find(id)).toMatchObject({ state: 'stopped', tries: 1 });
});

test('that waits and is in the queue no more is put there again', async () => {
  const first = await queueThat(async () => {
    throw new Error('not now');
  }, 5);
  const { id } = await first.ask('backup', 'Okke');
  await untilWork(first, id, ({ tries }) => tries > 0);
  await queues.splice(0)[0]?.stop();
  await database.db.query('DELETE FROM "work_queue"."job"');
  await database.db.query(`UPDATE "work" SET "state" = 'waiting', "tries" = 1`);
  const second = await queueThat(async () => 'done after all');
  expect(await untilWork(second, id, ({ state }) => state === 'done')).toMatchObject({ result: 'done after all' });
});

test('the server’s login writes the queue’s rows and can change nothing of its schema', async () => {
  await expect(database.db.query('CREATE TABLE "work_queue"."mine" ()')).rejects.toThrow('permission denied');
  await expect(database.db.query('DROP TABLE "work_queue"."archive"')).rejects.toThrow('must be owner');
});
