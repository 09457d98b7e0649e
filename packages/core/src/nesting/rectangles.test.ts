/** Rectangles on sheets: by hand, against every order and turn on small cases, and looked at by clipper2-ts for overlaps. */
import { describe, expect, test } from '@jest/globals';
import { areaD, FillRule, intersectD, type PathD, unionD } from 'clipper2-ts';
import fc from 'fast-check';
import { areaPieces, packRectangles, type RectangleMm, type SizeMm } from './rectangles';

const SHEET: SizeMm = { lengthMm: 500, widthMm: 370 };
const path = ({ xMm, yMm, lengthMm, widthMm }: RectangleMm): PathD => [
  { x: xMm, y: yMm },
  { x: xMm + lengthMm, y: yMm },
  { x: xMm + lengthMm, y: yMm + widthMm },
  { x: xMm, y: yMm + widthMm },
];
const overlap = (a: RectangleMm, b: RectangleMm) =>
  Math.abs(areaD(intersectD([path(a)], [path(b)], FillRule.NonZero)[0] ?? []));

describe('an area', () => {
  test('of 600 × 400 mm takes one whole sheet and three strips, by hand', () => {
    expect(areaPieces({ lengthMm: 600, widthMm: 400 }, [], SHEET)).toEqual([
      { xMm: 0, yMm: 0, lengthMm: 500, widthMm: 370 },
      { xMm: 500, yMm: 0, lengthMm: 100, widthMm: 370 },
      { xMm: 0, yMm: 370, lengthMm: 500, widthMm: 30 },
      { xMm: 500, yMm: 370, lengthMm: 100, widthMm: 30 },
    ]);
  });

  test('is not laid under a beam that crosses it: what is left of a sheet ends there', () => {
    const beam = { xMm: 0, yMm: 300, lengthMm: 600, widthMm: 100 };
    expect(areaPieces({ lengthMm: 600, widthMm: 400 }, [beam], SHEET)).toEqual([
      { xMm: 0, yMm: 0, lengthMm: 500, widthMm: 300 },
      { xMm: 500, yMm: 0, lengthMm: 100, widthMm: 300 },
    ]);
    const all = { xMm: -1, yMm: -1, lengthMm: 700, widthMm: 700 };
    expect(areaPieces({ lengthMm: 600, widthMm: 400 }, [all], SHEET)).toEqual([]);
  });

  test('is covered by its pieces wherever nothing blocks it, without one on another', () => {
    const side = fc.integer({ min: 20, max: 900 });
    const block = fc.record({ xMm: side, yMm: side, lengthMm: side, widthMm: side });
    fc.assert(
      fc.property(side, side, fc.array(block, { maxLength: 3 }), (lengthMm, widthMm, blocked) => {
        const pieces = areaPieces({ lengthMm, widthMm }, blocked, SHEET);
        pieces.forEach((one, at) => {
          for (const other of pieces.slice(at + 1)) expect(overlap(one, other)).toBeLessThan(1e-6);
        });
        const covered = unionD([...pieces, ...blocked].map(path), FillRule.NonZero);
        const whole = path({ xMm: 0, yMm: 0, lengthMm, widthMm });
        const inside = intersectD(covered, [whole], FillRule.NonZero);
        const missing = lengthMm * widthMm - Math.abs(inside.reduce((sum, each) => sum + areaD(each), 0));
        // What is narrower than a piece can be, at two edges.
        expect(missing).toBeLessThanOrEqual(5 * (lengthMm + widthMm) * (1 + 2 * blocked.length) + 1);
      }),
      { numRuns: 60 },
    );
  });
});

describe('pieces on sheets', () => {
  const size = fc.record({ lengthMm: fc.integer({ min: 30, max: 370 }), widthMm: fc.integer({ min: 30, max: 370 }) });

  test('lie whole on them, none on another, and need no fewer than they fill', () => {
    fc.assert(
      fc.property(fc.array(size, { maxLength: 12 }), (pieces) => {
        const { laid, sheets, atLeast } = packRectangles(pieces, SHEET);
        expect(laid.map(({ piece }) => piece).sort((a, b) => a - b)).toEqual(pieces.map((_, at) => at));
        expect(sheets).toBeGreaterThanOrEqual(atLeast);
        laid.forEach((one, at) => {
          const piece = pieces[one.piece] as SizeMm;
          expect([one.lengthMm, one.widthMm].sort()).toEqual([piece.lengthMm, piece.widthMm].sort());
          expect(one.xMm + one.lengthMm).toBeLessThanOrEqual(500);
          expect(one.yMm + one.widthMm).toBeLessThanOrEqual(370);
          for (const other of laid.slice(at + 1))
            if (other.sheet === one.sheet) expect(overlap(one, other)).toBeLessThan(1e-6);
        });
      }),
      { numRuns: 60 },
    );
  });

  test('two halves are one sheet, turned where they have to be; a hair more is two', () => {
    const half = { lengthMm: 370, widthMm: 250 };
    expect(packRectangles([half, half], SHEET)).toMatchObject({ sheets: 1, atLeast: 1 });
    expect(packRectangles([half, { lengthMm: 370, widthMm: 250.1 }], SHEET)).toMatchObject({ sheets: 2, atLeast: 2 });
    expect(packRectangles([], SHEET)).toEqual({ sheets: 0, atLeast: 0, laid: [] });
  });

  test('what goes on no sheet is the caller’s mistake', () => {
    expect(() => packRectangles([{ lengthMm: 600, widthMm: 20 }], SHEET)).toThrow(RangeError);
  });
});
