import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Change } from '@low-quarry/core/contracts/history';
import type { Job } from '@low-quarry/core/contracts/jobs';
import { type Bay, intakeFactsOf, NOTHING_DONE, type ShopSettings, type StepMark } from '@low-quarry/core/model';
import { jobSteps, type PlanStep } from '@low-quarry/core/plan';
import { changeSentences } from '@low-quarry/core/records';
import { createTestApp, type TestApp } from '../../testing/testApp';

const AT = '2026-03-02T10:00:00.000Z';
const mark = (by: string, more: Partial<StepMark> = {}): StepMark => ({
  ...{ state: 'done', by, at: AT, print: '00000001', ...more },
});
const FOUND: Bay['found'][number] = {
  ...{ key: 'a', step: 'battery off', where: 'Battery', words: 'its clamp is cracked', by: 'Rieke', at: AT },
  settled: null,
};

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

const shop = async (): Promise<ShopSettings> => (await app.http.get('/api/settings').expect(200)).body.settings;
const read = async (): Promise<Job> => (await app.jobNumber(3)).job;
const put = (http: TestApp['http'], { id, version }: Job, bay: object) =>
  http.put(`/api/jobs/${id}/bay`).send({ version, bay });

test('what a fitter ticks is kept, told in the history, and nothing else of the job changes', async () => {
  const job = await read();
  expect(job.bay).toEqual(NOTHING_DONE);
  const bay = { steps: { 'battery off': mark('Rieke', { note: 'covered' }) }, found: [FOUND] };
  const { body } = await put(await app.signedIn('Rieke'), job, bay).expect(200);
  expect(body).toMatchObject({ ...intakeFactsOf(job), bay, version: job.version + 1 });
  const stale = await put(app.http, job, NOTHING_DONE).expect(409);
  expect(stale.body.current).toMatchObject({ bay });
  const asked = { ...intakeFactsOf(job), version: body.version, wants: 'louder' };
  expect((await app.http.put(`/api/jobs/${job.id}`).send(asked).expect(200)).body).toMatchObject({ bay });
  const { body: history } = await app.http.get('/api/history').query({ kind: 'job', record: job.id }).expect(200);
  const sentences = history.changes.flatMap((change: Change) => changeSentences(change));
  expect(sentences.join('\n')).toContain('done (Rieke), covered');
  expect(sentences.join('\n')).toContain('Battery: its clamp is cracked (Rieke)');
});

test('what is quieted is decided by whoever plans, is on the list of what to have at hand, and a step of the plan', async () => {
  const job = await read();
  const surface = {
    ...{ name: 'Left door', kind: 'doorCard', spot: 'frontLeft', area: 'behindSpeaker', material: 'butyl' },
    ...{ lengthMm: 400, widthMm: 300, thicknessMm: 2, staysOpen: 'two drains', blocked: null },
  };
  const quiet = (body: object) => app.http.put(`/api/jobs/${job.id}/quieted`).send(body);
  const thick = await quiet({ version: job.version, quieted: [{ ...surface, thicknessMm: 50 }] }).expect(400);
  expect(thick.body.errors).toEqual([
    { path: 'quieted.0.thicknessMm', message: 'Type at most 20 mm: 50 mil are 1.3 mm.' },
  ]);
  const { body } = await quiet({ version: job.version, quieted: [surface] }).expect(200);
  expect(body.quieted).toEqual([{ ...surface, spots: [], sheetLengthMm: null, sheetWidthMm: null, marked: [] }]);
  await quiet({ version: job.version, quieted: [] }).expect(409);
  const { body: order } = await app.http.get(`/api/jobs/${job.id}/order`).expect(200);
  expect(order.needs).toContainEqual(
    expect.objectContaining({
      what: 'Deadening, butyl of 2 mm',
      why: expect.stringContaining('0.13 m²'),
    }),
  );
  const { openings } = await app.jobNumber(3);
  expect(jobSteps(body, openings, [], await shop()).map(({ id }) => id)).toContain('quieting Left door');
  await quiet({ version: body.version, quieted: [] }).expect(200);
});

test('nobody signs as the second person for somebody else, nor for what they did themselves', async () => {
  const job = await read();
  const signed = (by: string, second: string): Bay => ({
    ...job.bay,
    steps: { ...job.bay.steps, belt: mark(by, { seconded: { by: second, at: AT } }) },
  });
  const rieke = await app.signedIn('Rieke');
  const forged = await put(rieke, job, signed('Rieke', 'Jory')).expect(422);
  expect(forged.body.errors).toEqual([
    {
      path: 'bay.steps.belt.seconded.by',
      message: 'Jory signs this where Jory is signed in: this is Rieke’s screen.',
    },
  ]);
  const own = await put(rieke, job, signed('Rieke', 'Rieke')).expect(400);
  expect(own.body.errors).toMatchObject([{ message: 'The second person is somebody else than who did it.' }]);
  expect(await read()).toEqual(job);
  const { body } = await put(await app.signedIn('Jory'), job, signed('Rieke', 'Jory')).expect(200);
  // Who comes after them leaves it as it is.
  const more = { ...body.bay, steps: { ...body.bay.steps, closed: mark('Rieke') } };
  await put(rieke, body, more).expect(200);
});

test('the counter deals with what was found, and ticks nothing', async () => {
  const job = await read();
  const merle = await app.signedIn('Merle');
  const ticked = { ...job.bay, steps: { ...job.bay.steps, heard: mark('Merle') } };
  const { body } = await put(merle, job, ticked).expect(422);
  expect(body.errors).toMatchObject([{ path: 'bay.steps' }]);
  const settled = { by: 'Merle', at: AT, how: 'a new one is ordered' };
  const dealt = { ...job.bay, found: [{ ...FOUND, settled }] };
  expect((await put(merle, job, dealt).expect(200)).body.bay).toEqual(dealt);
});

test('the car is not handed over before what is never left out is done, and a second person signed', async () => {
  const { job } = await app.jobNumber(10);
  const end = (version: number, as = 'handedOver') => app.http.post(`/api/jobs/${job.id}/end`).send({ version, as });
  // Half of its plan is ticked in the demo; its supply is not even back.
  const { body } = await end(job.version).expect(422);
  expect(body.errors).toMatchObject([
    { path: 'as', message: expect.stringMatching(/^Not handed over: .*Negative clamp on/) },
  ]);
  expect((await app.jobNumber(10)).job).toEqual(job);
  // Every step of the next one is; then somebody hears that warnings come through its speakers.
  const { job: done } = await app.jobNumber(11);
  const alsoSounds = { answer: 'warnings', grade: 'seenHere', note: '', by: null, at: null };
  const { body: heard } = await app.http
    .put(`/api/jobs/${done.id}/found`)
    .send({ version: done.version, found: { ...done.found, alsoSounds } })
    .expect(200);
  const why = async (version: number) =>
    (await app.http.post(`/api/jobs/${done.id}/end`).send({ version, as: 'handedOver' }).expect(422)).body.detail;
  expect(await why(heard.version)).toMatch(/^Not handed over: The car: Each warning sound/);
  const { id, print } = jobSteps(heard, (await app.jobNumber(11)).openings, [], await shop()).find(
    ({ needsSecond }) => needsSecond,
  ) as PlanStep;
  const signed = (seconded: StepMark['seconded']): Bay => ({
    ...done.bay,
    steps: { ...done.bay.steps, [id]: { ...mark('Okke', { seconded }), print } },
  });
  const { body: unsigned } = await put(app.http, heard, signed(null)).expect(200);
  expect(await why(unsigned.version)).toMatch(/^Not handed over: A second person signs\. The car: Each warning sound/);
  const { body: whole } = await put(await app.signedIn('Rieke'), unsigned, signed({ by: 'Rieke', at: AT })).expect(200);
  await app.http.post(`/api/jobs/${done.id}/end`).send({ version: whole.version, as: 'handedOver' }).expect(200);
  // Nothing may come of a car whatever is open on it.
  await end(job.version, 'givenUp').expect(200);
});

test.each<[string, object, string]>([
  ['a step left out without a reason', { x: mark('Rieke', { state: 'skipped' }) }, 'bay.steps.x.reason'],
  [
    'more than anybody counts',
    { x: mark('Rieke', { counted: { pieces: -1, broken: 0, replaced: 0 } }) },
    'bay.steps.x.counted.pieces',
  ],
  [
    'a torque of nowhere',
    { x: mark('Rieke', { torque: { value: 40, unit: 'newtonMetre', source: ' ' } }) },
    'bay.steps.x.torque.source',
  ],
])('%s is refused at its place, and nothing is written', async (_, steps, path) => {
  const job = await read();
  const { body } = await put(app.http, job, { steps, found: [] }).expect(400);
  expect(body.errors).toMatchObject([{ path }]);
  expect(await read()).toEqual(job);
});
