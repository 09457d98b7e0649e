/** Which few speakers serve the most openings of the cars that came: as each is judged by itself. */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { MOST_KEPT, type ServesMost } from '@low-quarry/core/contracts/servesMost';
import type { PlacesOfPart } from '@low-quarry/core/contracts/whereItFits';
import { type OpeningRecord, placeLabel } from '@low-quarry/core/model';
import { createTestApp, type TestApp } from '../../testing/testApp';

let app: TestApp;
/** As the demo shop is. */
let open: ServesMost;
beforeAll(async () => {
  app = await createTestApp();
  open = await serving('measure');
});
afterAll(() => app.drop());

const serving = async (by: string): Promise<ServesMost> =>
  (await app.http.get('/api/parts/serving').query({ by }).expect(200)).body;

test('openings of all cars are judged, those in the bin are not, and what is left out is counted', async () => {
  const [{ total }] = await app.db.query(
    `SELECT count(*)::int AS "total" FROM "opening" JOIN "job" ON "job"."id" = "job_id" WHERE "deleted_at" IS NULL`,
  );
  const [{ speakers }] = await app.db.query(`SELECT count(*)::int AS "speakers" FROM "part" WHERE "kind" = 'speaker'`);
  const found = open;
  expect(found).toMatchObject({ openings: total, older: 0, unreadable: 0 });
  expect(found.speakers + found.lacking + found.notToBeHad).toBe(speakers);
  expect(found.chosen.length).toBeGreaterThan(2);
  expect(found.chosen.length).toBeLessThanOrEqual(MOST_KEPT);
  expect(found.chosen.reduce((sum, { adds }) => sum + adds, 0)).toBeLessThanOrEqual(found.served);
  expect(found.served).toBeLessThanOrEqual(total);
});

test('the first serves the most, each adds no more than the one before, and measuring first counts where it is asked for', async () => {
  const sure = await serving('clears');
  expect(open.served).toBeGreaterThanOrEqual(sure.served);
  const [first] = open.chosen;
  expect(first?.adds).toBe((first?.clears ?? 0) + (first?.measure ?? 0));
  const adds = open.chosen.map((each) => each.adds);
  expect(adds).toEqual([...adds].sort((a, b) => b - a));
  for (const { clears } of sure.chosen) expect(clears).toBeGreaterThan(0);
});

test('it is what the page of the speaker says of the open jobs’ openings of its size', async () => {
  const ended: { n: number }[] = await app.db.query(
    `SELECT count(*)::int AS "n" FROM "job" WHERE "ended_at" IS NOT NULL`,
  );
  expect(ended).toEqual([{ n: 0 }]);
  const rows: { jobId: string; record: OpeningRecord }[] = await app.db.query(
    'SELECT "job_id" AS "jobId", "record" FROM "opening"',
  );
  const sizes = new Map(rows.map(({ jobId, record }) => [`${jobId} ${placeLabel(record)}`, record.nominalSize]));
  for (const { id, clears, measure } of open.chosen) {
    const { body: part } = await app.http.get(`/api/parts/${id}`).expect(200);
    const { body } = await app.http.get(`/api/parts/${id}/places`).expect(200);
    const own = (body as PlacesOfPart).places.filter(
      (place) => place.of === 'job' && sizes.get(`${place.id} ${place.opening}`) === part.record.nominalSize,
    );
    const count = (verdict: string) => own.filter((place) => place.verdict === verdict).length;
    expect({ id, clears, measure }).toEqual({ id, clears: count('clears'), measure: count('measure') });
  }
});

test('a speaker that nobody sells, or that lacks a figure, is left out and counted', async () => {
  const [first, second] = open.chosen;
  const change = async (id: string | undefined, fields: object) => {
    const { body } = await app.http.get(`/api/parts/${id}`).expect(200);
    await app.http
      .put(`/api/parts/${id}`)
      .send({ version: body.version, record: { ...body.record, ...fields } })
      .expect(200);
  };
  await change(first?.id, { offers: [] });
  await change(second?.id, { mountingDepthMm: null, profile: [] });
  const after = await serving('measure');
  expect(after.chosen.map(({ id }) => id)).not.toEqual(expect.arrayContaining([first?.id]));
  expect(after.chosen.map(({ id }) => id)).not.toEqual(expect.arrayContaining([second?.id]));
  expect(after).toMatchObject({ notToBeHad: open.notToBeHad + 1, lacking: open.lacking + 1 });
});

test('a shop without a car says that nothing was judged', async () => {
  await app.db.query(`UPDATE "job" SET "deleted_at" = now()`);
  expect(await serving('clears')).toMatchObject({ chosen: [], openings: 0, served: 0 });
});
