import { describe, expect, test } from '@jest/globals';
import type { Opening } from '@low-quarry/core/contracts/openings';
import type { OpeningRecord } from '@low-quarry/core/model/opening';
import { OPENING_FIELDS } from '@low-quarry/core/records/openingFields';
import { fuzzed } from '@low-quarry/core/testing/fuzzed';
import { PLAIN_OPENING } from '@low-quarry/core/testing/plainOpening';
import fc from 'fast-check';
import { type Entry, needsPerson, nextToSend, type SaveOpening } from './Entry';
import { rebased } from './rebased';
import { resolve } from './sendEntry';

const ID = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const RECORD = PLAIN_OPENING;
const save = (id: number, change: Partial<SaveOpening> = {}): SaveOpening => ({
  kind: 'saveOpening',
  id: ID(id),
  personId: ID(1),
  at: '2026-03-02T10:00:00.000Z',
  label: 'Front door, left',
  refused: null,
  jobId: ID(900),
  openingId: ID(500),
  version: 1,
  base: RECORD,
  record: RECORD,
  draft: '',
  clash: null,
  ...change,
});
const opening = (version: number, record: OpeningRecord): Opening => ({
  id: ID(500),
  jobId: ID(900),
  version,
  record,
  choice: null,
});
const refused = { type: '', message: 'no', errors: [] };

describe('what is sent next', () => {
  const remove = (id: number, openingId: string): Entry => ({
    kind: 'removeChoice',
    id: ID(id),
    personId: ID(1),
    at: '2026-03-02T10:00:00.000Z',
    label: '',
    refused: null,
    openingId,
    version: 1,
  });

  test('the oldest; what is about the same opening waits for what comes before it', () => {
    expect(nextToSend([])).toBeNull();
    expect(nextToSend([save(1), save(2)])?.id).toBe(ID(1));
    expect(nextToSend([save(1, { refused }), save(2)])).toBeNull();
    expect(nextToSend([save(1, { clash: opening(2, RECORD) }), remove(2, ID(500)), remove(3, ID(501))])?.id).toBe(
      ID(3),
    );
  });

  test('never one that needs the person, and never out of order within an opening', () => {
    const entry = fc.record({ opening: fc.integer({ min: 0, max: 2 }), stuck: fc.boolean() });
    fc.assert(
      fc.property(fc.array(entry, { maxLength: 8 }), (drawn) => {
        const entries = drawn.map(({ opening: at, stuck }, index) =>
          save(index, { openingId: ID(500 + at), refused: stuck ? refused : null }),
        );
        const next = nextToSend(entries);
        const firstOf = new Map<string, SaveOpening>();
        for (const each of entries) if (!firstOf.has(each.openingId)) firstOf.set(each.openingId, each);
        const sendable = [...firstOf.values()].filter((each) => !needsPerson(each));
        expect(next?.id ?? null).toBe(sendable[0]?.id ?? null);
      }),
    );
  });
});

describe('somebody saved in between', () => {
  const newId = () => ID(77);

  test('at another field: both are kept, as a new request on their version', () => {
    const mine = save(1, { record: { ...RECORD, note: 'mine' } });
    const sent = resolve(mine, opening(2, { ...RECORD, wallMm: 3 }), newId);
    expect(sent).toMatchObject({
      kind: 'replaced',
      entry: { id: ID(77), version: 2, record: { note: 'mine', wallMm: 3 }, base: { wallMm: 3 }, clash: null },
    });
  });

  test('at the same field: it waits for the person, and both sides are there', () => {
    const mine = save(1, { record: { ...RECORD, note: 'mine' } });
    const sent = resolve(mine, opening(2, { ...RECORD, note: 'theirs' }), newId);
    expect(sent).toMatchObject({ kind: 'replaced', entry: { id: ID(1), clash: { record: { note: 'theirs' } } } });
  });

  test('what the shop has already is done', () => {
    const mine = save(1, { record: { ...RECORD, note: 'alike' } });
    expect(resolve(mine, opening(2, { ...RECORD, note: 'alike' }), newId).kind).toBe('done');
  });
});

test('a second save on top of the first builds on what the shop has after it', async () => {
  const first = save(1, { record: { ...RECORD, note: 'one' } });
  const second = save(2, { record: { ...RECORD, note: 'two', nominalSize: '6×9' } });
  const answer = opening(3, { ...RECORD, note: 'one', wallMm: 3 });
  expect(await rebased([first, second], first, answer)).toEqual([
    { ...second, version: 3, base: answer.record, record: { ...RECORD, note: 'two', nominalSize: '6×9', wallMm: 3 } },
  ]);
});

/**
 * Two editors at one opening, each typing into some of its fields and saving whenever it comes to that, against a model:
 * the shop's field is what was saved to it last by somebody who saw the value before, and every clash is told.
 */
describe('random interleavings of two editors', () => {
  const FIELDS = ['note', 'nominalSize', 'wallMm', 'plugDeg'] as const;
  const step = fc.oneof(
    fc.record({
      who: fc.constantFrom(0, 1),
      kind: fc.constant('type' as const),
      field: fc.constantFrom(...FIELDS),
      value: fc.integer({ min: 1, max: 3 }),
    }),
    fc.record({ who: fc.constantFrom(0, 1), kind: fc.constant('save' as const) }),
    fc.record({ who: fc.constantFrom(0, 1), kind: fc.constant('look' as const) }),
  );
  const typedValue = (field: (typeof FIELDS)[number], value: number) =>
    field === 'note' || field === 'nominalSize' ? String(value) : value;

  test('nothing that was saved without a clash is lost, nothing of the other is undone, and every clash is told', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 40 }), (steps) => {
        let shop = opening(1, RECORD);
        const editors = [0, 1].map(() => ({ base: shop, record: RECORD }));
        // The model: what each field must be in the shop.
        const model = new Map<string, unknown>(FIELDS.map((field) => [field, RECORD[field]]));
        for (const each of steps) {
          const editor = editors[each.who] as (typeof editors)[number];
          if (each.kind === 'type')
            editor.record = { ...editor.record, [each.field]: typedValue(each.field, each.value) };
          else if (each.kind === 'look') {
            // An editor that has typed nothing sees what the shop has.
            if (JSON.stringify(editor.record) === JSON.stringify(editor.base.record)) {
              editor.base = shop;
              editor.record = shop.record;
            }
          } else {
            const entry = save(1, { version: editor.base.version, base: editor.base.record, record: editor.record });
            const clashing = FIELDS.filter((field) => {
              const [was, mine, theirs] = [editor.base.record[field], editor.record[field], shop.record[field]];
              return mine !== was && theirs !== was && mine !== theirs;
            });
            const sent =
              entry.version === shop.version
                ? ({ kind: 'replaced', entry } as const)
                : resolve(entry, shop, () => ID(77));
            const isClash = sent.kind === 'replaced' && sent.entry.kind === 'saveOpening' && sent.entry.clash !== null;
            expect(isClash).toBe(clashing.length > 0);
            if (isClash) continue;
            for (const field of FIELDS)
              if (editor.record[field] !== editor.base.record[field]) model.set(field, editor.record[field]);
            const kept =
              sent.kind === 'replaced' && sent.entry.kind === 'saveOpening' ? sent.entry.record : shop.record;
            shop = opening(shop.version + 1, kept);
            editor.base = shop;
            editor.record = shop.record;
          }
          for (const { path, read } of OPENING_FIELDS)
            if (model.has(path)) expect([path, read(shop.record)]).toEqual([path, model.get(path)]);
        }
      }),
      fuzzed(400),
    );
  });
});
