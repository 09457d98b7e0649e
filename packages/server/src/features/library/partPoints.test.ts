/** Two lengths of each speaker that a list finds, over HTTP. */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { SpeakerRecord } from '@low-quarry/core/catalogue';
import type { PartPoints } from '@low-quarry/core/contracts/partPoints';
import { createTestApp, type TestApp } from '../../testing/testApp';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

const points = async (query: object): Promise<PartPoints> =>
  (
    await app.http
      .get('/api/parts/points')
      .query({ x: 'cutout', y: 'depth', ...query })
      .expect(200)
  ).body;
const ID = 'spk-wrackline-shoal-65';

test('every speaker once, with the lengths that are asked for, an oval by its longest; of what is found alone', async () => {
  const rows: { record: SpeakerRecord }[] = await app.db.query(`SELECT "record" FROM "part" WHERE "kind" = 'speaker'`);
  const all = await points({});
  expect(all).toMatchObject({ without: 0, more: 0 });
  expect(all.points).toHaveLength(rows.length);
  for (const { record } of rows) {
    const { basket, mountingDepthMm: y } = record;
    const x = basket?.kind === 'oval' ? Math.max(basket.lengthMm, basket.widthMm) : basket?.diameterMm;
    expect(all.points).toContainEqual({ id: record.id, label: `${record.maker} ${record.name}`, x, y });
  }
  const { points: found } = await points({ find: 'shoal 65', x: 'flange', y: 'magnet' });
  expect(found.map(({ id }) => id).sort()).toEqual([ID, 'spk-wrackline-shoal-65-slim']);
});

test('what was measured counts; what nobody knows is counted, not drawn', async () => {
  const { body } = await app.http.get(`/api/parts/${ID}`).expect(200);
  const inHand = [{ figure: 'depth', pieces: [[70]], halfWidthMm: 0.2, by: 'Okke', on: '2031-05-02' }];
  const record = { ...body.record, inHand, magnetDiameterMm: null };
  await app.http.put(`/api/parts/${ID}`).send({ version: body.version, record }).expect(200);
  expect((await points({ find: 'shoal 65' })).points.find(({ id }) => id === ID)?.y).toBe(70);
  const lacking = await points({ find: 'shoal 65', y: 'magnet' });
  expect(lacking.points.map(({ id }) => id)).toEqual(['spk-wrackline-shoal-65-slim']);
  expect(lacking.without).toBe(1);
});

test('a length that is none is refused by name', async () => {
  const { body } = await app.http.get('/api/parts/points').query({ x: 'cutout', y: 'price' }).expect(400);
  expect(body.errors[0].path).toContain('y');
});
