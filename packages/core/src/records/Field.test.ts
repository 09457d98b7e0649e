import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { differencesOf, type Field, isSame, keyField, mergeChanges, plainWords, takeFields } from './Field';

type Rec = { readonly a: number; readonly b: string | null; readonly c: readonly number[] };
const FIELDS: readonly Field<Rec>[] = [keyField('a', 'A'), keyField('b', 'B'), keyField('c', 'C')];
const BASE: Rec = { a: 1, b: 'x', c: [] };

describe('differences', () => {
  test('each field that is not the same, in words', () => {
    expect(differencesOf(FIELDS, BASE, { a: 1, b: null, c: [2, 3] })).toEqual([
      { path: 'b', label: 'B', before: 'x', after: 'nothing' },
      { path: 'c', label: 'C', before: 'nothing', after: '2, 3' },
    ]);
  });

  test('the order of keys is nothing, and neither is a key without a value', () => {
    expect(isSame({ x: 1, y: { p: 2, q: 3 } }, { y: { q: 3, p: 2 }, x: 1, z: undefined })).toBe(true);
    expect(isSame([1, 2], [2, 1])).toBe(false);
    expect(isSame(null, 0)).toBe(false);
    expect(plainWords({ x: true, y: [] })).toBe('x yes, y nothing');
  });
});

describe('merging two changes', () => {
  test('what only one of them changed follows that one', () => {
    const { merged, clashes, taken } = mergeChanges(FIELDS, BASE, { ...BASE, a: 2 }, { ...BASE, b: 'y' });
    expect(merged).toEqual({ a: 2, b: 'y', c: [] });
    expect(clashes).toEqual([]);
    expect(taken).toEqual(['B']);
  });

  test('what both changed to something else is a clash, and mine until somebody decides', () => {
    const { merged, clashes } = mergeChanges(FIELDS, BASE, { ...BASE, a: 2 }, { ...BASE, a: 3, c: [1] });
    expect(merged).toEqual({ a: 2, b: 'x', c: [1] });
    expect(clashes).toEqual([{ path: 'a', label: 'A', base: '1', mine: '2', theirs: '3' }]);
    expect(takeFields(FIELDS, merged, { ...BASE, a: 3 }, new Set(['a']))).toEqual({ a: 3, b: 'x', c: [1] });
  });

  test('what both changed alike is none', () => {
    const both = { ...BASE, a: 7 };
    expect(mergeChanges(FIELDS, BASE, both, both)).toEqual({ merged: both, clashes: [], taken: [] });
  });

  const rec = fc.record({
    a: fc.integer({ min: 0, max: 2 }),
    b: fc.constantFrom('x', 'y', null),
    c: fc.array(fc.integer({ min: 0, max: 1 }), { maxLength: 2 }),
  });

  test('against a model of each field: untouched, one side, both alike, or a clash', () => {
    fc.assert(
      fc.property(rec, rec, rec, (base, mine, theirs) => {
        const { merged, clashes } = mergeChanges(FIELDS, base, mine, theirs);
        for (const { path, read } of FIELDS) {
          const [was, here, there, now] = [base, mine, theirs, merged].map((each) => JSON.stringify(read(each as Rec)));
          const clash = here !== was && there !== was && here !== there;
          expect(clashes.some((each) => each.path === path)).toBe(clash);
          expect(now).toBe(here === was ? there : here);
        }
      }),
    );
  });

  test('without a clash it does not matter who was first', () => {
    fc.assert(
      fc.property(rec, rec, rec, (base, mine, theirs) => {
        const one = mergeChanges(FIELDS, base, mine, theirs);
        fc.pre(one.clashes.length === 0);
        expect(mergeChanges(FIELDS, base, theirs, mine).merged).toEqual(one.merged);
      }),
    );
  });
});
