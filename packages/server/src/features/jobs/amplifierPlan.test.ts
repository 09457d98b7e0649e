import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Change } from '@low-quarry/core/contracts/history';
import type { Job } from '@low-quarry/core/contracts/jobs';
import { type AmplifierPlan, intakeFactsOf } from '@low-quarry/core/model';
import { createTestApp, type TestApp } from '../../testing/testApp';

const BYPASS: AmplifierPlan = {
  ...{ kind: 'bypass', by: 'newRadio', leads: 'atPlug', leastOhm: 4, sounds: 'notTried', reason: 'a new radio' },
  power: { watt: 22, rating: 'RMS', atOhm: 4 },
};

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

/** The minibus, whose doors have speakers chosen. */
const read = async (): Promise<Job> => (await app.jobNumber(3)).job;
const put = (http: TestApp['http'], { id, version }: Job, amplifierPlan: object | null) =>
  http.put(`/api/jobs/${id}/amplifier-plan`).send({ version, amplifierPlan });

test('it is decided by whoever plans the wires, on what it was when they looked, and nothing else of the job changes', async () => {
  const job = await read();
  expect(job.amplifierPlan).toBe(null);
  const { body } = await put(await app.signedIn('Rieke'), job, BYPASS).expect(200);
  expect(body).toMatchObject({ ...intakeFactsOf(job), amplifierPlan: BYPASS, version: job.version + 1 });
  const stale = await put(app.http, job, null).expect(409);
  expect(stale.body.current).toMatchObject({ amplifierPlan: BYPASS });
  // What is asked at the counter is saved without it, and leaves it.
  const asked = { ...intakeFactsOf(job), version: body.version, wants: 'louder' };
  const changed = await app.http.put(`/api/jobs/${job.id}`).send(asked).expect(200);
  expect(changed.body).toMatchObject({ wants: 'louder', amplifierPlan: BYPASS });
  await app.http
    .put(`/api/jobs/${job.id}`)
    .send({ ...asked, version: changed.body.version, amplifierPlan: null })
    .expect(400);
});

test('a slip names its field, and nothing is written', async () => {
  const job = await read();
  const { body } = await put(app.http, job, { ...BYPASS, leastOhm: -4 }).expect(400);
  expect(body.errors).toMatchObject([{ path: 'amplifierPlan.leastOhm', message: 'Type ohms above 0.' }]);
  await put(app.http, job, { kind: 'bypass' }).expect(400);
  expect(await read()).toEqual(job);
});

test('it is in the history, and is taken back by undo', async () => {
  const job = await read();
  const history = await app.http.get('/api/history').query({ kind: 'job', record: job.id }).expect(200);
  const changes: readonly Change[] = history.body.changes;
  const decided = changes.findLast(({ after }) => (after as Job | null)?.amplifierPlan?.kind === 'bypass');
  expect(decided).toMatchObject({ personName: 'Rieke', before: { amplifierPlan: null } });
  await put(app.http, job, { kind: 'keep', reason: 'the radio stays' }).expect(200);
  const { body: undo } = await app.http.get('/api/undo').expect(200);
  const changeIds = undo.changes.map(({ id }: { id: number }) => id);
  await app.http.post('/api/undo').send({ changeIds }).expect(200);
  expect((await read()).amplifierPlan).toEqual(BYPASS);
});

test('past the amplifier the order waits for the warnings to be heard, and brings a pair for each channel', async () => {
  const path = '/api/vehicles/veh-brackwell-ferryman';
  const { version, record } = (await app.http.get(path).expect(200)).body;
  const way = { from: 'radio', to: 'amplifier', through: '', lengthMm: 2400, note: '', grade: 'seenHere' };
  const channels = record.channels.map((each: object) => ({ ...each, fedBy: 'factoryAmplifier' }));
  await app.http
    .put(path)
    .send({ version, record: { ...record, channels, routes: [way] } })
    .expect(200);
  const order = async () => (await app.http.get(`/api/jobs/${(await read()).id}/order`).expect(200)).body;
  const before = await order();
  const doors = before.heldBack.filter(({ label }: { label: string }) => label.startsWith('Front door'));
  expect(doors.map(({ why }: { why: string }) => why)).toEqual([
    expect.stringContaining('unplug it, and hear every warning and voice'),
    expect.stringContaining('unplug it, and hear every warning and voice'),
  ]);
  await put(app.http, await read(), { ...BYPASS, sounds: 'heard' }).expect(200);
  const after = await order();
  expect(after.lines[0]?.forOpenings).toEqual(['Front door, left', 'Front door, right']);
  const needs = after.needs.map(({ what }: { what: string }) => what);
  expect(needs).toContainEqual(expect.stringMatching(/^5 times \d\.\d m of pair/));
});
