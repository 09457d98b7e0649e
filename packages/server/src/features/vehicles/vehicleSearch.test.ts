/** The search of vehicles in a library of 5,000 variants: what a plain scan finds, by the index. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { seededRandom } from '@low-quarry/core/math';
import { manyVehicles, typedSearches } from '@low-quarry/core/testing/manyVehicles';
import { createTestApp, type TestApp } from '../../testing/testApp';
import { searchedWords } from './searchedWords';
import { prepareSearch, searchStatement, VehiclesStore } from './VehiclesStore';

const COUNT = 5000;
const vehicles = manyVehicles(COUNT);

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp({ empty: true });
  const store = new VehiclesStore(app.db.manager);
  for (let at = 0; at < COUNT; at += 500) await store.save(vehicles.slice(at, at + 500));
  await app.owner.query('ANALYZE "vehicle"');
});
afterAll(() => app.drop());

const idsBy = (find: string, settings: readonly string[] = []) =>
  app.db.transaction(async (manager) => {
    const words = searchedWords(find);
    await prepareSearch(manager, words);
    for (const setting of settings) await manager.query(`SET LOCAL ${setting}`);
    const { sql, parameters } = searchStatement(words, 'AND', 0, COUNT);
    const rows: { id: string }[] = await manager.query(sql, [...parameters]);
    return rows.map(({ id }) => id);
  });

test('by the index the same is found, in the same order, as by looking at every variant', async () => {
  for (const { find } of typedSearches(vehicles, 25, 1)) {
    const plain = await idsBy(find, ['enable_seqscan = on', 'enable_indexscan = off', 'enable_bitmapscan = off']);
    expect([find, await idsBy(find)]).toEqual([find, plain]);
  }
});

test('the plan of a search looks words up, and reads no table from end to end', async () => {
  const words = searchedWords('corvall brenthor 2016 s');
  const lines: { 'QUERY PLAN': string }[] = await app.db.transaction(async (manager) => {
    await prepareSearch(manager, words);
    const { sql, parameters } = searchStatement(words, 'AND', 0, 25);
    return manager.query(`EXPLAIN ${sql}`, [...parameters]);
  });
  const plan = lines.map((line) => line['QUERY PLAN']).join('\n');
  expect(plan).toContain('Bitmap Index Scan on vehicle_by_words');
  expect(plan).not.toContain('Seq Scan on vehicle');
});

test('of a hundred searches as people type them, the one that was meant is on the first page of ninety-five', async () => {
  const store = new VehiclesStore(app.db.manager);
  let found = 0;
  for (const { id, find } of typedSearches(vehicles, 100, 2)) {
    const page = await store.search({ find, page: 1, pageSize: 25 });
    if (page.found.some((each) => each.id === id)) found++;
  }
  expect(found).toBeGreaterThanOrEqual(95);
});

describe('what is written in a variant is always found by it', () => {
  test.each([3, 4, 5])('by every one of 200 variants’ make, model and trim (seed %i)', async (seed) => {
    const random = seededRandom(seed);
    for (let each = 0; each < 40; each++) {
      const { id, make, model, trim } = vehicles[Math.floor(random() * COUNT)] as (typeof vehicles)[number];
      expect(await idsBy(`${trim} ${model} ${make}`)).toContain(id);
    }
  });
});
