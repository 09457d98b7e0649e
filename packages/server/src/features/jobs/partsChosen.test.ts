/** Where a part is chosen, over HTTP: how it was judged and how it is, jobs that are over counted apart. */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { ChosenParts } from '@low-quarry/core/contracts/chosenParts';
import { createTestApp, type TestApp } from '../../testing/testApp';

const SLIM = 'spk-wrackline-shoal-65-slim';
const PLATE = 'brk-plate-3-166-to-6-5-6-mm';

let app: TestApp;
/** The openings of a job in which a slim speaker that clears is chosen on its plate. */
let mine: string[];
let jobId: string;
beforeAll(async () => {
  app = await createTestApp();
  const doors = await Promise.all((['left', 'right'] as const).map((side) => app.opening(1, 'frontDoorLow', side)));
  mine = doors.map(({ id }) => id).sort();
  jobId = doors[0]?.jobId as string;
  const choices = mine.map((openingId) => ({ openingId, speakerId: SLIM, layerIds: [PLATE] }));
  await app.http.put(`/api/jobs/${jobId}/choices`).send({ choices }).expect(200);
});
afterAll(() => app.drop());

const chosen = async (part?: string): Promise<ChosenParts> =>
  (
    await app.http
      .get('/api/chosen')
      .query(part ? { part } : {})
      .expect(200)
  ).body;
const openingsOf = ({ uses }: ChosenParts) => uses.map(({ openingId }) => openingId).sort();

test('every choice of an open job, by its speaker and by what lies under it', async () => {
  const rows: { opening_id: string }[] = await app.db.query('SELECT "opening_id" FROM "choice"');
  const all = await chosen();
  expect(openingsOf(all)).toEqual(rows.map(({ opening_id }) => opening_id).sort());
  expect(all.counts.open).toBe(rows.length);
  expect(openingsOf(await chosen(SLIM))).toEqual(mine);
  const [use] = (await chosen(PLATE)).uses.filter(({ openingId }) => mine.includes(openingId));
  expect(use).toMatchObject({ jobId, speaker: 'Wrackline Shoal 65 Slim', was: 'clears', is: 'clears', heldBack: null });
  expect(await chosen('fuse-nobody-has')).toEqual({ uses: [], counts: { open: 0, otherwise: 0 }, ended: 0 });
});

test('a corrected part names the openings that are judged otherwise, those before all others', async () => {
  const before = (await chosen()).counts;
  const { body } = await app.http.get(`/api/parts/${SLIM}`).expect(200);
  await app.http
    .put(`/api/parts/${SLIM}`)
    .send({ version: body.version, record: { ...body.record, mountingDepthMm: 90, profile: [] } })
    .expect(200);
  expect((await chosen(SLIM)).uses).toMatchObject(
    mine.map(() => ({ was: 'clears', is: 'hits', heldBack: expect.any(String) })),
  );
  const all = await chosen();
  expect(all.counts).toEqual({ open: before.open, otherwise: before.otherwise + 2 });
  expect(all.uses.slice(0, all.counts.otherwise).map(({ was, is }) => was === is)).not.toContain(true);
});

test('a choice whose speaker cannot be read is judged no more, and says so', async () => {
  const kept = `UPDATE "part" SET "record" = jsonb_set("record", '{flangeThicknessMm}', $2) WHERE "id" = $1`;
  await app.db.query(kept, [SLIM, '"thick"']);
  expect((await chosen(SLIM)).uses).toMatchObject(
    mine.map(() => ({ was: null, is: null, heldBack: expect.stringContaining('choose again') })),
  );
  await app.db.query(kept, [SLIM, '3']);
});

test('of a job that is over it is counted, and not named', async () => {
  const { body } = await app.http.get(`/api/jobs/${jobId}`).expect(200);
  await app.http.post(`/api/jobs/${jobId}/end`).send({ version: body.job.version, as: 'givenUp' }).expect(200);
  expect(await chosen(SLIM)).toEqual({ uses: [], counts: { open: 0, otherwise: 0 }, ended: 2 });
});
