import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { createTestApp, type TestApp } from '../../testing/testApp';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

const PART = '/api/parts/spk-wrackline-shoal-65-slim';

test('a corrected part is judged by at once, and a choice says what changed', async () => {
  const door = await app.opening(1, 'frontDoorLow', 'left');
  const choice = {
    openingId: door.id,
    speakerId: 'spk-wrackline-shoal-65-slim',
    layerIds: ['brk-plate-3-166-to-6-5-6-mm'],
  };
  await app.http
    .put(`/api/jobs/${door.jobId}/choices`)
    .send({ choices: [choice] })
    .expect(200);
  const { version, record } = (await app.http.get(PART).expect(200)).body;
  const deeper = { ...record, mountingDepthMm: record.mountingDepthMm + 30 };
  await app.http.put(PART).send({ version, record: deeper }).expect(200);
  const { state } = await app.opening(1, 'frontDoorLow', 'left');
  if (state.kind !== 'chosen') throw new Error('expected a choice');
  expect(state).toMatchObject({ verdictThen: 'clears', summary: { verdict: 'hits' } });
  expect(state.heldBack).not.toBeNull();
  expect(state.changedSince).toEqual([
    {
      path: 'mountingDepthMm',
      label: `${record.name}: Mounting depth, mm`,
      before: String(record.mountingDepthMm),
      after: String(deeper.mountingDepthMm),
    },
  ]);
  const { body } = await app.http.get('/api/history').query({ kind: 'part' }).expect(200);
  expect(body.changes).toMatchObject([{ action: 'changed', version: version + 1, before: record, after: deeper }]);
  await app.http.post(`/api/history/${body.changes[0].id}/bring-back`).send({ to: 'before' }).expect(200);
  expect((await app.http.get(PART)).body).toEqual({ version: version + 2, record });
});

test.each([
  ['a depth that is none', { mountingDepthMm: -1 }, 400, 'record.mountingDepthMm'],
  ['another id', { id: 'spk-other' }, 422, 'record.id'],
])('%s is refused with its path', async (_, change, status, path) => {
  const { version, record } = (await app.http.get(PART).expect(200)).body;
  const { body } = await app.http
    .put(PART)
    .send({ version, record: { ...record, ...change } })
    .expect(status);
  expect(body.errors[0].path).toBe(path);
});

test('it is for the owner, and for parts that there are', async () => {
  const { version, record } = (await app.http.get(PART).expect(200)).body;
  await (await app.signedIn('Rieke')).put(PART).send({ version, record }).expect(403);
  await app.http.get('/api/parts/nobody').expect(404);
});

test('what a correction refers to must be there: a connector of an adapter', async () => {
  const { body: search } = await app.http.get('/api/parts?find=harnessadapter').expect(200);
  const [adapter] = search.found;
  const { body: part } = await app.http.get(`/api/parts/${adapter.id}`).expect(200);
  const lost = { version: part.version, record: { ...part.record, fromConnectorId: 'con-of-nobody' } };
  const { body: refusal } = await app.http.put(`/api/parts/${adapter.id}`).send(lost).expect(422);
  expect(refusal.errors[0].path).toBe('record.fromConnectorId');
});
