/** One record that cannot be judged or read is a state of its own line; every list goes on answering. */

import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { FoundPart } from '@low-quarry/core/contracts/findParts';
import type { OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { getJob } from '@low-quarry/core/contracts/jobs';
import type { ShopSettings } from '@low-quarry/core/model/settings';
import { createTestApp, type TestApp } from '../../testing/testApp';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

const LISTS = [
  '/api/jobs',
  '/api/vehicles',
  '/api/catalogue/changes',
  '/api/parts',
  '/api/connectors',
  '/api/history',
  '/api/bin',
  '/api/settings',
  '/api/week',
  '/api/week.ics',
];
const allAnswer = async (jobId: string) => {
  for (const path of [
    ...LISTS,
    `/api/jobs/${jobId}`,
    `/api/jobs/${jobId}/order`,
    `/api/jobs/${jobId}/order.csv`,
    `/api/jobs/${jobId}/cutting`,
  ])
    expect([path, (await app.http.get(path)).status]).toEqual([path, 200]);
};
const stateOf = async (openingId: string, jobId: string) => {
  const { body } = await app.http.get(`/api/jobs/${jobId}`).expect(200);
  return body.openings.find(({ id }: OpeningWithState) => id === openingId).state;
};

/** Something is chosen in this opening; with a ring from sheet that the shop cuts. */
async function withRing(): Promise<OpeningWithState> {
  const opening = await app.opening(1, 'frontDoorLow', 'left');
  const choice = {
    openingId: opening.id,
    speakerId: 'spk-wrackline-shoal-65',
    layerIds: ['ring-9', 'brk-plate-3-166-to-6-5-6-mm'],
    reason: 'the owner has heard it',
  };
  await app.http
    .put(`/api/jobs/${opening.jobId}/choices`)
    .send({ choices: [choice] })
    .expect(200);
  return opening;
}

test('a ring that is no longer cut holds its own opening back and nothing else; cut again, all is as it was', async () => {
  const { id, jobId } = await withRing();
  expect((await stateOf(id, jobId)).kind).toBe('chosen');
  const { body: before } = await app.http.get('/api/settings').expect(200);
  const settings: ShopSettings = {
    ...before.settings,
    stock: before.settings.stock.filter((each: { thicknessMm: number }) => each.thicknessMm !== 9),
  };
  const { body: after } = await app.http.put('/api/settings').send({ version: before.version, settings }).expect(200);
  expect(after.findings).toEqual(['1 choice names a ring cut from 9 mm sheet: no longer judged until chosen again.']);
  await allAnswer(jobId);
  expect(await stateOf(id, jobId)).toEqual({
    kind: 'cannotJudge',
    parts: expect.stringMatching(/^Shoal 65 \+ ring cut from 9 mm sheet \+ .*$/),
    sentence: 'This choice names a ring of 9 mm sheet, which is no longer cut: choose again.',
  });
  const { body: order } = await app.http.get(`/api/jobs/${jobId}/order`).expect(200);
  expect(order.heldBack.find((each: { openingId: string }) => each.openingId === id).why).toContain('no longer cut');
  await app.http.put('/api/settings').send({ version: after.version, settings: before.settings }).expect(200);
  expect((await stateOf(id, jobId)).kind).toBe('chosen');
});

test('a plate cut from a sheet that the shop has no more', async () => {
  const { id, jobId, choice } = await withRing();
  const { body: before } = await app.http.get('/api/settings').expect(200);
  const plate = {
    kind: 'cutPlate',
    thicknessMm: 9,
    throatMm: { length: 140, width: 140 },
    outsideMm: 190,
    turnRad: 0,
    isSunk: false,
    vehicleHoles: 4,
    speakerHoles: 4,
  };
  const speakerId = 'spk-wrackline-shoal-65';
  const choices = [{ openingId: id, version: (choice?.version ?? 0) + 1, speakerId, layerIds: [], works: [plate] }];
  await app.http.put(`/api/jobs/${jobId}/choices`).send({ choices }).expect(200);
  const stock = before.settings.stock.filter((each: { thicknessMm: number }) => each.thicknessMm !== 9);
  const settings = { ...before.settings, stock };
  const { body: after } = await app.http.put('/api/settings').send({ version: before.version, settings }).expect(200);
  expect(after.findings).toEqual(['1 choice names a plate cut from 9 mm sheet: no longer judged until chosen again.']);
  await allAnswer(jobId);
  expect(await stateOf(id, jobId)).toMatchObject({
    kind: 'cannotJudge',
    sentence: expect.stringMatching(/9 mm sheet.*Choose again\.$/),
  });
  await app.http.put('/api/settings').send({ version: after.version, settings: before.settings }).expect(200);
  expect((await stateOf(id, jobId)).kind).toBe('chosen');
});

test('work by hand that this program does not know', async () => {
  const { id, jobId } = await withRing();
  await app.db.query(`UPDATE "choice" SET "works" = '[{"kind": "weld"}]' WHERE "opening_id" = $1`, [id]);
  await allAnswer(jobId);
  expect(await stateOf(id, jobId)).toMatchObject({ kind: 'cannotJudge', sentence: expect.stringContaining('by hand') });
  const { body } = await app.http.get(`/api/jobs/${jobId}`).expect(200);
  expect(getJob.answer.safeParse(body).success).toBe(true);
});

test('a bracket that is not in the catalogue', async () => {
  const { id, jobId } = await withRing();
  await app.db.query(`UPDATE "choice" SET "layer_ids" = '["brk-of-nobody"]' WHERE "opening_id" = $1`, [id]);
  await allAnswer(jobId);
  expect(await stateOf(id, jobId)).toMatchObject({
    kind: 'cannotJudge',
    sentence: expect.stringContaining('a bracket'),
  });
});

test('a part that cannot be read: named in the catalogue, its choices are not judged, its history brings it back', async () => {
  const { id, jobId } = await withRing();
  const speaker = 'spk-wrackline-shoal-65';
  const { body: part } = await app.http.get(`/api/parts/${speaker}`).expect(200);
  const named = { ...part.record, name: 'Shoal, corrected' };
  await app.http.put(`/api/parts/${speaker}`).send({ version: part.version, record: named }).expect(200);
  await app.db.query(
    `UPDATE "part" SET "record" = jsonb_set("record", '{mountingDepthMm}', '"deep"') WHERE "id" = $1`,
    [speaker],
  );
  await allAnswer(jobId);
  const { body: search } = await app.http.get(`/api/parts?find=${speaker}`).expect(200);
  expect(search.found.filter((each: FoundPart) => each.unreadable !== null)).toEqual([
    expect.objectContaining({ id: speaker, unreadable: expect.stringContaining('mountingDepthMm') }),
  ]);
  expect(await stateOf(id, jobId)).toMatchObject({
    kind: 'cannotJudge',
    sentence: expect.stringContaining('a speaker'),
  });
  const { body } = await app.http.get(`/api/parts/${speaker}`).expect(422);
  expect(body).toMatchObject({ type: '/problems/unreadable', detail: expect.stringContaining('mountingDepthMm') });
  const { body: history } = await app.http.get(`/api/history?kind=part&record=${speaker}`).expect(200);
  await app.http.post(`/api/history/${history.changes[0].id}/bring-back`).send({ to: 'after' }).expect(200);
  expect((await app.http.get(`/api/parts/${speaker}`).expect(200)).body.record.name).toBe('Shoal, corrected');
});

test('an opening that cannot be read is shown with its place, cannot be opened, and is brought back', async () => {
  const opening = await app.opening(2, 'frontDoorLow', 'left');
  await app.http
    .put(`/api/openings/${opening.id}`)
    .send({ version: opening.version, record: { ...opening.record, note: 'kept' } })
    .expect(200);
  await app.db.query(`UPDATE "opening" SET "record" = "record" - 'holeKind' WHERE "id" = $1`, [opening.id]);
  await allAnswer(opening.jobId);
  expect(await stateOf(opening.id, opening.jobId)).toMatchObject({
    kind: 'unreadable',
    sentence: expect.stringContaining('holeKind'),
  });
  expect((await app.http.get(`/api/openings/${opening.id}`).expect(422)).body.type).toBe('/problems/unreadable');
  const { body: history } = await app.http.get(`/api/history?record=${opening.id}`).expect(200);
  await app.http.post(`/api/history/${history.changes[0].id}/bring-back`).send({ to: 'after' }).expect(200);
  expect((await app.http.get(`/api/openings/${opening.id}`).expect(200)).body.record.note).toBe('kept');
});

test('a vehicle that cannot be read: its jobs are listed, and no car is booked in by it', async () => {
  const { job } = await app.jobNumber(3);
  const [{ record }] = await app.db.query('SELECT "record" FROM "vehicle" WHERE "id" = $1', [job.vehicle.id]);
  await app.db.query(`UPDATE "vehicle" SET "record" = "record" - 'body' WHERE "id" = $1`, [job.vehicle.id]);
  await allAnswer(job.id);
  expect((await app.http.get('/api/vehicles')).body.unreadable).toMatchObject([{ id: job.vehicle.id }]);
  const wish = { vehicleId: job.vehicle.id, customer: 'X', registration: '', wants: '', dueOn: null };
  expect((await app.http.post('/api/jobs').send(wish).expect(422)).body.detail).toContain('cannot be read');
  await app.db.query('UPDATE "vehicle" SET "record" = $2 WHERE "id" = $1', [job.vehicle.id, record]);
});

test('settings that cannot be read are shown as far as they can, judge nothing, and are set right by saving them', async () => {
  const { id, jobId } = await withRing();
  await app.db.query(`UPDATE "shop" SET "settings" = jsonb_set("settings", '{confidence}', '7')`);
  await allAnswer(jobId);
  const { body: shop } = await app.http.get('/api/settings').expect(200);
  expect(shop.unreadable).toContain('confidence');
  expect(await stateOf(id, jobId)).toMatchObject({
    kind: 'cannotJudge',
    sentence: expect.stringContaining('confidence'),
  });
  const choice = { openingId: id, speakerId: 'spk-wrackline-shoal-65', layerIds: [] };
  const { body: refusal } = await app.http
    .put(`/api/jobs/${jobId}/choices`)
    .send({ choices: [choice] })
    .expect(422);
  expect(refusal.type).toBe('/problems/unreadable');
  await app.http.put('/api/settings').send({ version: shop.version, settings: shop.settings }).expect(200);
  expect((await app.http.get('/api/settings').expect(200)).body.unreadable).toBeNull();
  expect((await stateOf(id, jobId)).kind).toBe('chosen');
});

test('a line of the history with an older state, or one that is none, is told like any other', async () => {
  await app.owner.query('ALTER TABLE "change" DISABLE TRIGGER "change_is_kept"');
  await app.owner.query(
    `UPDATE "change" SET "before" = '{"name": "old", "halfWidths": 1}', "after" = '[]' WHERE "kind" = 'settings'`,
  );
  await app.owner.query('ALTER TABLE "change" ENABLE TRIGGER "change_is_kept"');
  const { body } = await app.http.get('/api/history?kind=settings').expect(200);
  expect(body.changes.length).toBeGreaterThan(0);
  const { body: refusal } = await app.http
    .post(`/api/history/${body.changes[0].id}/bring-back`)
    .send({ to: 'before' })
    .expect(422);
  expect(refusal.detail).toContain('cannot be read');
});

test('a currency is one of ISO 4217', async () => {
  const { body } = await app.http.get('/api/settings').expect(200);
  const wrong = { version: body.version, settings: { ...body.settings, currency: 'E1R' } };
  const refusal = await app.http.put('/api/settings').send(wrong).expect(400);
  expect(refusal.body.errors[0]).toMatchObject({ path: 'settings.currency', message: expect.stringContaining('EUR') });
  await expect(
    app.db.query(`UPDATE "shop" SET "settings" = jsonb_set("settings", '{currency}', '"E1R"')`),
  ).rejects.toThrow('shop_currency');
});
