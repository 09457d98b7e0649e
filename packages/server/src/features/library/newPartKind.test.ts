/** A kind of part that only the names and the table know of: everything that takes parts takes one of it. */
import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import { PART_KINDS, type PartKind, partKindWord } from '@low-quarry/core/catalogue/kindNames';
import { orderable } from '@low-quarry/core/catalogue/orderable';
import { partEntry } from '@low-quarry/core/catalogue/PartEntry';
import { PART_TABLE } from '@low-quarry/core/catalogue/partTable';
import { offered, PLAINLY_NAMED } from '@low-quarry/core/testing/offers';
import { z } from 'zod';
import type { TestApp } from '../../testing/testApp';

const cool = z.strictObject({ kind: z.literal('coolBox'), ...orderable, volumeL: z.number().positive().max(500) });
const coolBox = partEntry({
  schema: cool,
  specs: [],
  listed: ({ volumeL }) => ({ volumeL }),
  says: ({ volumeL }) => `${volumeL} l`,
  connectors: () => [],
  isAtHand: false,
  toFit: () => ({}),
});
jest.unstable_mockModule('@low-quarry/core/catalogue/kindNames', () => ({
  PART_KINDS: [...PART_KINDS, 'coolBox'],
  partKindWord: (kind: PartKind | 'coolBox') => (kind === 'coolBox' ? 'Cool box' : partKindWord(kind)),
}));
jest.unstable_mockModule('@low-quarry/core/catalogue/partTable', () => ({ PART_TABLE: { ...PART_TABLE, coolBox } }));

const BOX = {
  kind: 'coolBox',
  id: 'cool-box-1',
  maker: 'Orvane',
  name: 'Box 30',
  ...PLAINLY_NAMED,
  offers: offered(1, 8900, { supplier: 'Tarn Supplies' }),
  roundingMm: 0.5,
  volumeL: 30,
};

let app: TestApp;
let core: typeof import('@low-quarry/core/catalogue');
beforeAll(async () => {
  core = await import('@low-quarry/core/catalogue');
  const { createTestApp } = await import('../../testing/testApp');
  app = await createTestApp();
});
afterAll(() => app.drop());

const pack = (part: object) => ({ format: 'parts', version: 2, parts: [part], connectors: [] });
const bringIn = (part: object) => app.http.post('/api/parts/imports').send({ name: 'boxes.json', pack: pack(part) });

test('comes in with a pack, is found, corrected and told of, and goes to devices', async () => {
  await bringIn({ ...BOX, volumeL: -1 }).expect(400);
  expect((await bringIn(BOX).expect(200)).body).toMatchObject({ added: 1 });
  const { body: found } = await app.http.get('/api/parts').query({ find: 'orvane box' }).expect(200);
  expect(found.found).toEqual([
    { id: BOX.id, kind: 'coolBox', label: 'Orvane Box 30', says: '30 l', unreadable: null, figures: { cost: 8900 } },
  ]);
  await app.http
    .put(`/api/parts/${BOX.id}`)
    .send({ version: 1, record: { ...BOX, volumeL: 28 } })
    .expect(200);
  const { body: history } = await app.http.get('/api/history').query({ kind: 'part', record: BOX.id }).expect(200);
  expect(history.changes[0]).toMatchObject({ action: 'changed', before: BOX, after: { ...BOX, volumeL: 28 } });
  const { body: changes } = await app.http.get('/api/catalogue/changes').expect(200);
  expect(changes.parts).toContainEqual(expect.objectContaining({ id: BOX.id, volumeL: 28 }));
  const { text } = await app.http.get('/api/export').expect(200);
  expect(JSON.parse(text).parts).toContainEqual(expect.objectContaining({ id: BOX.id, kind: 'coolBox' }));
});

test('is listed with what its entry says, and the fit leaves it alone', () => {
  const part = core.partSchema.parse(BOX);
  expect(core.toListedPart(part)).toEqual({
    id: BOX.id,
    kind: 'coolBox',
    maker: 'Orvane',
    name: 'Box 30',
    volumeL: 30,
  });
  expect(core.toFitCatalogue([part])).toEqual({ speakers: [], brackets: [], spacers: [], adapters: [] });
});
