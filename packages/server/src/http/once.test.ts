import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { createTestApp, type TestApp } from '../testing/testApp';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

const JOB = { vehicleId: 'veh-ostrand-longshore', customer: 'Pilots', registration: '', wants: '', dueOn: null };
const book = (key: string, body: object = JOB, http = app.http) =>
  http.post('/api/jobs').set('Idempotency-Key', key).send(body);
const count = async () => (await app.http.get('/api/jobs')).body.total as number;

test('a request that comes again gets the first answer and books nothing', async () => {
  const key = randomUUID();
  const before = await count();
  const { body } = await book(key).expect(200);
  await book(key).expect(200, body);
  expect(await count()).toBe(before + 1);
});

test('twenty at once are one', async () => {
  const key = randomUUID();
  const before = await count();
  const answers = await Promise.all(Array.from({ length: 20 }, () => book(key)));
  expect(new Set(answers.map(({ status, body }) => `${status} ${body.jobId}`)).size).toBe(1);
  expect(await count()).toBe(before + 1);
});

test('a refused one leaves its key free: nothing was done', async () => {
  const key = randomUUID();
  await book(key, { ...JOB, vehicleId: 'veh-nobody' }).expect(422);
  await book(key).expect(200);
});

test('a key that belongs to another request, or to somebody else, is refused', async () => {
  const key = randomUUID();
  await book(key).expect(200);
  await book(key, { ...JOB, customer: 'Somebody else' }).expect(422);
  await book(key, JOB, await app.signedIn('Merle')).expect(422);
  await book('not-a-key').expect(400);
});
