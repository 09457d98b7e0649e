import { expect, test } from '@jest/globals';
import { plugFaceSchema } from '@low-quarry/core/model/plugFace';
import fc from 'fast-check';
import { faceOf, paired, takenApart, withEmpty, withPositions } from './plugFaces';

test('a plug begins as the library knows it, and with two positions where it does not', () => {
  expect(faceOf(null)).toEqual({ rows: 1, positions: 2, pairs: [], empty: [] });
  expect(faceOf(6)).toMatchObject({ rows: 2, positions: 6 });
  expect(faceOf(1)).toMatchObject({ positions: 2 });
  expect(faceOf(60)).toMatchObject({ positions: 40 });
});

test('two pins make a pair whichever is pressed first, and what it carries nobody knows yet', () => {
  const face = paired(withEmpty(faceOf(4), [3]), 3, 1);
  expect(face.pairs).toEqual([{ pins: [1, 3], colours: ['', ''], carries: 'notKnown', grade: 'seenHere' }]);
  expect(face.empty).toEqual([]);
  expect(takenApart(face, 0).pairs).toEqual([]);
});

test('fewer positions take along what was said of those that are no more', () => {
  const face = withEmpty(paired(paired(faceOf(6), 1, 2), 3, 6), [4, 5]);
  expect(withPositions(face, { positions: 4 })).toEqual({
    rows: 2,
    positions: 4,
    pairs: [{ pins: [1, 2], colours: ['', ''], carries: 'notKnown', grade: 'seenHere' }],
    empty: [4],
  });
});

test('whatever is pressed in whatever order, the face can be saved', () => {
  const press = fc.record({
    what: fc.constantFrom('pair', 'empty', 'apart', 'positions', 'rows'),
    one: fc.nat(39),
    other: fc.nat(39),
  });
  fc.assert(
    fc.property(fc.option(fc.integer({ min: 1, max: 60 })), fc.array(press, { maxLength: 30 }), (ways, presses) => {
      const face = presses.reduce((now, { what, one, other }) => {
        const free = Array.from({ length: now.positions }, (_, at) => at + 1).filter(
          (pin) => !now.pairs.some(({ pins }) => pins.includes(pin)),
        );
        const [a, b] = [free[one % free.length], free[other % free.length]];
        if (what === 'positions') return withPositions(now, { positions: 2 + one });
        if (what === 'rows') return withPositions(now, { rows: 1 + (one % 3) });
        if (what === 'apart') return takenApart(now, one);
        if (a === undefined || b === undefined) return now;
        if (what === 'empty') return withEmpty(now, [a]);
        return a === b ? now : paired(now, a, b);
      }, faceOf(ways));
      expect(plugFaceSchema.safeParse(face).error?.issues ?? []).toEqual([]);
    }),
  );
});
