import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Cutting } from '@low-quarry/core/contracts/cutting';
import { createTestApp, type Http, type TestApp } from '../../testing/testApp';

let app: TestApp;
let owner: Http;
beforeAll(async () => {
  app = await createTestApp();
  owner = await app.signedIn('Okke');
});
afterAll(() => app.drop());

const jobOf = async (registration: string) => {
  const job = (await app.listJobs(owner)).find((each) => each.registration === registration);
  if (!job) throw new Error(`expected ${registration}`);
  return job;
};
const cutting = async (registration: string): Promise<Cutting> =>
  (await owner.get(`/api/jobs/${(await jobOf(registration)).id}/cutting`).expect(200)).body;

test('the rings of both doors lie on one sheet, as they were judged; what cuts nothing has none', async () => {
  const { sheet, pieces, sheets, unmeasured } = await cutting('WARDEN 2');
  expect(sheet).toEqual({ lengthMm: 600, widthMm: 400, kerfMm: 3 });
  expect(
    pieces.map(({ label, side, what, fault, template }) => [label, side, what, fault, template.thicknessMm]),
  ).toEqual([
    ['Front door, left', 'left', 'ring', null, 12],
    ['Front door, right', 'right', 'ring', null, 12],
  ]);
  expect(unmeasured).toEqual([]);
  expect(sheets).toMatchObject([{ thicknessMm: 12, sheets: 1, atLeast: 1, tooLarge: [] }]);
  const { laid } = sheets[0] as Cutting['sheets'][number];
  expect(laid.map(({ piece }) => piece).sort()).toEqual([0, 1]);
  const [a, b] = laid as [Cutting['sheets'][number]['laid'][number], Cutting['sheets'][number]['laid'][number]];
  const radii = pieces.reduce((sum, { template }) => sum + template.outside.halfLengthMm, 0);
  expect(Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)).toBeGreaterThanOrEqual(radii + 3);
  expect(await cutting('MEND 2')).toMatchObject({ pieces: [], sheets: [], unmeasured: [] });
});

test('another sheet and another saw lay them otherwise; one that holds none says so', async () => {
  const { version, settings } = (await owner.get('/api/settings').expect(200)).body;
  const put = (sheet: object, on: number) =>
    owner
      .put('/api/settings')
      .send({ version: on, settings: { ...settings, sheet } })
      .expect(200);
  const { body } = await put({ lengthMm: 200, widthMm: 200, kerfMm: 6 }, version);
  expect((await cutting('WARDEN 2')).sheets).toMatchObject([{ sheets: 2, atLeast: 2, tooLarge: [] }]);
  await put({ lengthMm: 400, widthMm: 150, kerfMm: 6 }, body.version);
  expect((await cutting('WARDEN 2')).sheets).toMatchObject([{ sheets: 0, tooLarge: [0, 1] }]);
});

test('a hanger is cut with the rings of its car, by its own corners; of a box that nobody measured there is none', async () => {
  const job = await jobOf('MEND 2');
  const crossover = {
    ...{ name: 'left', channel: '', outputs: [{ to: 'tweeter', ends: null, filter: null, lead: null }], at: 'door' },
    ...{ isAtFork: false, space: '', heldBy: 'its hanger', comes: 'own', hangerMm: 9 },
  };
  const box = { lengthMm: 112, widthMm: 74, heightMm: 38 };
  const put = async (crossovers: object[]) => {
    const { version } = (await owner.get(`/api/jobs/${job.id}`).expect(200)).body.job;
    await owner.put(`/api/jobs/${job.id}/crossovers`).send({ version, crossovers }).expect(200);
  };
  await put([
    { ...crossover, box },
    { ...crossover, name: 'right', box },
  ]);
  const { pieces, sheets } = await cutting('MEND 2');
  expect(pieces.map(({ openingId, label, what, fault }) => [openingId, label, what, fault])).toEqual([
    [null, 'left', 'hanger', null],
    [null, 'right', 'hanger', null],
  ]);
  expect(pieces[0]?.template.outside.corners?.length).toBeGreaterThan(20);
  const [sheet] = sheets;
  expect(sheet?.thicknessMm).toBe(9);
  // The saw of the test before: 6 mm, on sheets of 400 × 150 mm.
  expect(sheet?.tooLarge).toEqual([]);
  await put([{ ...crossover, box: null }]);
  expect(await cutting('MEND 2')).toMatchObject({ pieces: [], unmeasured: ['The crossover left'] });
  await put([{ ...crossover, box: { ...box, lengthMm: 24, widthMm: 10 } }]);
  expect((await cutting('MEND 2')).pieces[0]?.fault).toMatch(/A box so small hangs in ties\.$/);
});
