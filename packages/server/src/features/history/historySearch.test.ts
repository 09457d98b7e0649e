/** Words in a long history are found by an index, and they are just those that a look at every line would find. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { seededRandom } from '@low-quarry/core/math/seededRandom';
import { insertRows } from '../../db/insertRows';
import { createTestApp, type TestApp } from '../../testing/testApp';
import { HistoryStore } from './HistoryStore';

const LINES = 9_000;
const PAGE = 41;

let app: TestApp;
let store: HistoryStore;
beforeAll(async () => {
  app = await createTestApp();
  store = new HistoryStore(app.db.manager);
  const random = seededRandom(11);
  const one = (...words: string[]) => words[Math.floor(random() * words.length)] as string;
  const id = (at: number) => `00000000-0000-4000-9000-${String(at).padStart(12, '0')}`;
  const rows = Array.from({ length: LINES }, (_, at) => {
    const before = { note: one('cloth', 'clip "9"', 'Ölspur'), dimensions: { depthBehind: { readingsMm: [at / 10] } } };
    return {
      at: '2026-01-01T08:00:00Z',
      batch: id(at),
      person_id: null,
      person_name: one('Wanda', 'Ibe', 'Ulfert'),
      device_name: one('bay 7', 'counter'),
      kind: 'opening',
      record_id: `long-${at}`,
      job_id: null,
      label: one('Front door, left', 'Rear deck, right', 'Dash, centre'),
      action: 'changed',
      version: 2,
      before,
      after: { ...before, note: at === 40 ? 'ptarmigan' : one('felt', 'tape, 2 mm', 'cloth') },
      undoes: null,
    };
  });
  await app.db.transaction((manager) => insertRows(manager, 'change', rows));
}, 60_000);
afterAll(() => app.drop());

/** Every line is looked at: what is about it, and what differs, as text without what stands between words. */
async function byLooking(words: readonly string[], before = Number.POSITIVE_INFINITY): Promise<number[]> {
  const rows: { id: number; words: string }[] = await app.db.query(
    'SELECT "id", "words" FROM "change" ORDER BY "id" DESC',
  );
  const has = (text: string) =>
    words.every((word) => (word.length < 3 ? text.includes(` ${word}`) : text.includes(word)));
  return rows.filter(({ id, words: text }) => id < before && has(text)).map(({ id }) => id);
}

describe('words', () => {
  test.each([
    ['of one line, long ago', 'ptarmigan', ['ptarmigan']],
    ['in every second line', 'counter', ['counter']],
    ['in other letters, with what stands between them', 'REAR deck, wanda', ['rear', 'deck', 'wanda']],
    ['not of English', 'ölspur', ['ölspur']],
    ['in the middle of another', 'armig', ['armig']],
    ['five of them', 'tape felt counter ulfert centre', ['tape', 'felt', 'counter', 'ulfert', 'centre']],
    ['of two letters, where words begin', 'mm 7', ['mm', '7']],
    ['that nobody wrote', 'zeppelin', ['zeppelin']],
    ['that would be a pattern', '%', ['%']],
  ])('%s', async (_, find, words) => {
    const expected = await byLooking(words);
    const found = await store.list({ find }, PAGE);
    expect(found.map(({ id }) => id)).toEqual(expected.slice(0, PAGE));
  });

  test('page after page, as far as they go', async () => {
    const expected = await byLooking(['ibe', 'tape']);
    expect(expected.length).toBeGreaterThan(3 * PAGE);
    const found: number[] = [];
    for (let before: number | undefined; ; before = found.at(-1)) {
      const page = await store.list({ find: 'ibe tape', before }, PAGE);
      found.push(...page.map(({ id }) => id));
      if (page.length < PAGE) break;
    }
    expect(found).toEqual(expected);
  });

  test('with a kind, a person and a record besides', async () => {
    expect(await store.list({ find: 'cloth', kind: 'job' }, PAGE)).toEqual([]);
    expect((await store.list({ find: 'cloth', record: 'long-3' }, PAGE)).length).toBeLessThanOrEqual(1);
    expect(await store.list({ find: 'cloth', without: ['opening'] }, PAGE)).toEqual([]);
  });
});

test('a rare word is looked up in the index, without a look at every line', async () => {
  const plan = await app.db.transaction(async (manager) => {
    await manager.query('SET LOCAL enable_seqscan = off');
    return manager.query(`EXPLAIN SELECT "id" FROM "change" WHERE "words" LIKE '%ptarmigan%'`);
  });
  expect(JSON.stringify(plan)).toContain('change_by_words');
});

test('a line is found by what differs, not by what stayed', async () => {
  const { id, version, record } = await app.opening(2, 'frontDoorLow', 'left');
  const put = (at: number, note: string) =>
    app.http
      .put(`/api/openings/${id}`)
      .send({ version: at, record: { ...record, note } })
      .expect(200);
  await put(version, 'gannet');
  const wanted = record.nominalSize.toLowerCase();
  await put(version + 1, 'gannet, and more');
  const found = async (find: string) => (await store.list({ find, record: id }, PAGE)).map((change) => change.version);
  expect(await found('gannet')).toEqual([version + 2, version + 1]);
  expect(await found(wanted.split(' ')[0] ?? '')).not.toContain(version + 2);
});
