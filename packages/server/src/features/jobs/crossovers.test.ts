import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Change } from '@low-quarry/core/contracts/history';
import type { Job } from '@low-quarry/core/contracts/jobs';
import { type Crossover, intakeFactsOf } from '@low-quarry/core/model';
import { createTestApp, type TestApp } from '../../testing/testApp';

const LEFT: Crossover = {
  ...{
    name: 'left',
    channel: 'front left',
    at: 'door',
    isAtFork: false,
    space: '',
    heldBy: 'ties',
    hangerMm: null,
    comes: 'own',
  },
  box: { lengthMm: 110, widthMm: 72, heightMm: 38 },
  outputs: [
    {
      ...{ to: 'woofer', ends: { kind: 'place', place: 'Front door, left' }, lead: 'factory' },
      filter: { highPass: null, lowPass: { hz: 3000, order: 2 } },
    },
    { to: 'tweeter', ends: { kind: 'unused', isInsulated: true }, filter: null, lead: null },
  ],
};

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

/** The minibus, whose doors have speakers chosen. */
const read = async (): Promise<Job> => (await app.jobNumber(3)).job;
const put = (http: TestApp['http'], { id, version }: Job, crossovers: readonly object[]) =>
  http.put(`/api/jobs/${id}/crossovers`).send({ version, crossovers });

test('they are decided by whoever plans the wires, on what they were when they looked, and nothing else of the job changes', async () => {
  const job = await read();
  expect(job.crossovers).toEqual([]);
  const { body } = await put(await app.signedIn('Rieke'), job, [LEFT]).expect(200);
  expect(body).toMatchObject({ ...intakeFactsOf(job), crossovers: [LEFT], version: job.version + 1 });
  const stale = await put(app.http, job, []).expect(409);
  expect(stale.body.current).toMatchObject({ crossovers: [LEFT] });
  const asked = { ...intakeFactsOf(job), version: body.version, wants: 'louder' };
  const changed = await app.http.put(`/api/jobs/${job.id}`).send(asked).expect(200);
  expect(changed.body).toMatchObject({ wants: 'louder', crossovers: [LEFT] });
});

test('what else is put into the car is kept beside them, each by its own request', async () => {
  const job = await read();
  const amplifier = {
    ...{ name: 'amplifier', kind: 'amplifier', space: 'under the left seat', heldBy: '', rmsW: null, isLater: true },
    box: { lengthMm: 240, widthMm: 160, heightMm: 52 },
  };
  const putBoxes = (version: number, stowed: readonly object[]) =>
    app.http.put(`/api/jobs/${job.id}/stowed`).send({ version, stowed });
  const { body } = await putBoxes(job.version, [amplifier]).expect(200);
  expect(body).toMatchObject({ stowed: [amplifier], crossovers: job.crossovers, version: job.version + 1 });
  await putBoxes(job.version, []).expect(409);
  const slip = await putBoxes(body.version, [{ ...amplifier, box: { ...amplifier.box, heightMm: 0 } }]).expect(400);
  expect(slip.body.errors).toMatchObject([{ path: 'stowed.0.box.heightMm' }]);
  expect((await read()).stowed).toEqual([amplifier]);
});

test('a slip names its field, and nothing is written', async () => {
  const job = await read();
  const { body } = await put(app.http, job, [LEFT, { ...LEFT, name: 'LEFT' }]).expect(400);
  expect(body.errors).toMatchObject([
    { path: 'crossovers.1.name', message: expect.stringContaining('Another crossover') },
  ]);
  const [woofer] = LEFT.outputs;
  const twice = await put(app.http, job, [{ ...LEFT, outputs: [woofer, woofer] }]).expect(400);
  expect(twice.body.errors).toMatchObject([
    { path: 'crossovers.0.outputs', message: 'Each output stands there once.' },
  ]);
  expect(await read()).toEqual(job);
});

test('each is told by itself in the history, and taken back by undo', async () => {
  const job = await read();
  await put(app.http, job, [LEFT, { ...LEFT, name: 'right', outputs: [LEFT.outputs[1]] }]).expect(200);
  const { body: undo } = await app.http.get('/api/undo').expect(200);
  const changeIds = undo.changes.map(({ id }: { id: number }) => id);
  await app.http.post('/api/undo').send({ changeIds }).expect(200);
  expect((await read()).crossovers).toEqual([LEFT]);
  const history = await app.http.get('/api/history').query({ kind: 'job', record: job.id }).expect(200);
  const changes: readonly Change[] = history.body.changes;
  expect(changes.filter(({ after }) => (after as Job | null)?.crossovers?.length === 2)).toHaveLength(1);
});

test('one of no set is on the order list with what it feeds, and holds it where its chain is not closed', async () => {
  const order = async () => (await app.http.get(`/api/jobs/${(await read()).id}/order`).expect(200)).body;
  const path = '/api/vehicles/veh-brackwell-ferryman';
  const { record } = (await app.http.get(path).expect(200)).body;
  const [front] = record.channels;
  const closed = { ...LEFT, channel: front.name };
  await put(app.http, await read(), [closed]).expect(200);
  const after = await order();
  const needs = after.needs.map(({ what }: { what: string }) => what);
  expect(needs).toContain('Crossover, left');
  const [woofer] = closed.outputs;
  const swapped = { ...closed, outputs: [{ ...woofer, to: 'tweeter' }] };
  await put(app.http, await read(), [swapped]).expect(200);
  const held = await order();
  expect(held.heldBack.map(({ label, why }: { label: string; why: string }) => [label, why])).toContainEqual([
    'Front door, left',
    expect.stringContaining('Crossover left: The tweeter’s output ends at Front door, left'),
  ]);
});
