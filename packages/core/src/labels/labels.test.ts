import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { labelPlaces, labelSheetSchema, PAPER_MM, SHEETS } from './labelSheet';
import { elementMm, labelLayout, SYMBOLS } from './labelSymbol';

const faults = (change: object) =>
  labelSheetSchema
    .safeParse({ ...SHEETS['3x7'], ...change })
    .error?.issues.map(({ path, message }) => `${path.join('.')}: ${message}`);

describe('sheets', () => {
  test.each(Object.entries(SHEETS))('%s can be, as text of an address too', (_, sheet) => {
    expect(labelSheetSchema.parse(sheet)).toEqual(sheet);
    const text = Object.fromEntries(Object.entries(sheet).map(([key, value]) => [key, String(value)]));
    expect(labelSheetSchema.parse(text)).toEqual(sheet);
  });

  test.each([
    ['over the edge', { columns: 4 }, ['columns: The last column ends at 268.7 mm, and the paper at 210 mm.']],
    ['below the edge', { rows: 8 }, ['rows: The last row ends at 319.9 mm, and the paper at 297 mm.']],
    ['on top of one another', { pitchXMm: 60 }, ['pitchXMm: At 60 mm labels of 63.5 mm overlap.']],
    ['too small to read', { heightMm: 8 }, ['heightMm: 8 mm was read: a label needs 12 mm or more.']],
  ])('labels %s are refused at the field', (_, change, says) => {
    expect(faults(change)).toEqual(says);
  });

  test('every label lies on the paper, and none over another, from whichever is the first', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.values(SHEETS)),
        fc.integer({ min: 1, max: 200 }),
        fc.integer({ min: 1, max: 30 }),
        (sheet, labels, first) => {
          const places = labelPlaces(sheet, labels, first);
          const { width, height } = PAPER_MM[sheet.paper];
          const perPage = sheet.columns * sheet.rows;
          expect(places).toHaveLength(labels);
          expect(new Set(places.map(({ page, xMm, yMm }) => `${page} ${xMm} ${yMm}`)).size).toBe(labels);
          for (const { xMm, yMm } of places) {
            expect(xMm + sheet.widthMm).toBeLessThanOrEqual(width + 0.2);
            expect(yMm + sheet.heightMm).toBeLessThanOrEqual(height + 0.2);
          }
          expect(places.at(-1)?.page).toBe(Math.floor((labels + first - 2) / perPage));
        },
      ),
    );
  });

  test('three labels from the fourth on of a sheet of 3 × 7 are its second row', () => {
    expect(labelPlaces(SHEETS['3x7'], 3, 4)).toEqual([
      { page: 0, xMm: 7.2, yMm: 53.2 },
      { page: 0, xMm: 73.2, yMm: 53.2 },
      { page: 0, xMm: 139.2, yMm: 53.2 },
    ]);
  });
});

test('symbol and words lie on the label, and not on one another', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...SYMBOLS),
      fc.double({ min: 25, max: 210, noNaN: true }),
      fc.double({ min: 12, max: 297, noNaN: true }),
      (kind, widthMm, heightMm) => {
        const { symbol, words } = labelLayout({ widthMm, heightMm }, kind);
        for (const box of [symbol, words]) {
          expect(Math.min(box.xMm, box.yMm, box.heightMm)).toBeGreaterThanOrEqual(0);
          expect(box.widthMm).toBeGreaterThan(8);
          expect(box.xMm + box.widthMm).toBeLessThanOrEqual(widthMm + 1e-9);
          expect(box.yMm + box.heightMm).toBeLessThanOrEqual(heightMm + 1e-9);
        }
        const isBeside = words.xMm >= symbol.xMm + symbol.widthMm - 1e-9;
        expect(isBeside || words.yMm + words.heightMm <= symbol.yMm).toBe(true);
      },
    ),
  );
});

test('elements: version 1 of a QR code has 21 (ISO/IEC 18004), with 4 free on each side', () => {
  expect(elementMm({ xMm: 0, yMm: 0, widthMm: 29, heightMm: 29 }, 'qr', 21)).toBe(1);
});
