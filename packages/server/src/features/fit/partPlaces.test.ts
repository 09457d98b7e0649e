/** Where a speaker fits, of the library and of the open jobs: as each opening is judged by itself. */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { PlacesOfPart } from '@low-quarry/core/contracts/whereItFits';
import { createTestApp, type TestApp } from '../../testing/testApp';

const SLIM = 'spk-wrackline-shoal-65-slim';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

const placesOf = async (id: string): Promise<PlacesOfPart> =>
  (await app.http.get(`/api/parts/${id}/places`).expect(200)).body;

test('every opening of the library and of the open jobs is judged once', async () => {
  const { counts, places, lacks, unreadable } = await placesOf(SLIM);
  const [{ total }] = await app.db.query(
    `SELECT (SELECT sum(jsonb_array_length("record" -> 'openings')) FROM "vehicle") + (SELECT count(*) FROM "opening"
      JOIN "job" ON "job"."id" = "job_id" WHERE "ended_at" IS NULL AND "deleted_at" IS NULL) AS "total"`,
  );
  expect(counts.clears + counts.measure + counts.hold + counts.hits).toBe(Number(total));
  expect(places).toHaveLength(counts.clears + counts.measure + counts.hold);
  expect([lacks, unreadable]).toEqual([[], 0]);
  expect(places.some(({ of }) => of === 'variant')).toBe(true);
  const verdicts = places.map(({ verdict }) => ['clears', 'measure', 'hold'].indexOf(verdict));
  expect(verdicts).toEqual([...verdicts].sort());
});

test('an opening of a job is told as the choice there is', async () => {
  const { job, openings } = await app.jobNumber(1);
  const { id: openingId } = await app.opening(1, 'frontDoorLow', 'left');
  const { body } = await app.http.get(`/api/jobs/${job.id}`).expect(200);
  expect(openings.map(({ id }) => id)).toContain(openingId);
  const here = (await placesOf(SLIM)).places.find(
    ({ of, id, opening }) => of === 'job' && id === job.id && opening === 'Front door, left',
  );
  expect(here?.car).toContain(body.job.registration);
  expect(here).toMatchObject({ verdict: expect.stringMatching(/clears|measure/) });
});

test('of a speaker that lacks figures it says which, and of no part nothing', async () => {
  const { body } = await app.http.get(`/api/parts/${SLIM}`).expect(200);
  const record = { ...body.record, magnetDiameterMm: null, profile: [] };
  await app.http.put(`/api/parts/${SLIM}`).send({ version: body.version, record }).expect(200);
  expect(await placesOf(SLIM)).toMatchObject({ lacks: ['magnet'], places: [] });
  await app.http.get('/api/parts/of-nobody/places').expect(404);
});
