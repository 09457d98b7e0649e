import { expect, test } from '@jest/globals';
import type { Quieted } from '@low-quarry/core/model';
import { quietingTypedSchema, readQuietingSchema, toQuietingTyped } from './typedQuieting';

const SURFACE: Quieted = {
  ...{ name: 'Left door', kind: 'doorCard', spot: 'frontLeft', area: 'outerSkin', material: 'butyl' },
  ...{ lengthMm: 600, widthMm: null, thicknessMm: 1.27, staysOpen: null, blocked: '' },
  spots: [{ what: 'drain', xMm: 120, yMm: 40, lengthMm: 20, widthMm: 20 }],
  ...{ sheetLengthMm: 500, sheetWidthMm: null, marked: [{ x: 20, y: 80 }] },
};
const typed = (changes: object = {}) => {
  const all = toQuietingTyped([SURFACE]);
  return { quieted: all.quieted.map((each) => ({ ...each, ...changes })) };
};

test('what was written down comes back as it was: not measured, not looked, looked and nothing', () => {
  expect(quietingTypedSchema.safeParse(typed()).success).toBe(true);
  expect(readQuietingSchema.parse(typed())).toEqual({ quieted: [SURFACE] });
});

test('lengths are read in the trade’s units; what is none is said at its field', () => {
  const read = readQuietingSchema.parse(typed({ lengthMm: '12 in', widthMm: '30 cm' }));
  expect(read.quieted[0]).toMatchObject({ lengthMm: 304.8, widthMm: 300 });
  const [wrong] = readQuietingSchema.safeParse(typed({ thicknessMm: '50' })).error?.issues ?? [];
  expect([wrong?.path.join('.'), wrong?.message]).toEqual([
    'quieted.0.thicknessMm',
    'Type at most 20 mm: 50 mil are 1.3 mm.',
  ]);
  const [place] = readQuietingSchema.safeParse(typed({ spots: 'hole; 1; 1; 1; 1' })).error?.issues ?? [];
  expect([place?.path.join('.'), place?.message]).toEqual(['quieted.0.spots', expect.stringContaining('hole; 1')]);
  const [none] = readQuietingSchema.safeParse(typed({ lengthMm: 'long' })).error?.issues ?? [];
  expect(none?.path.join('.')).toBe('quieted.0.lengthMm');
  expect(none?.message).toContain('long');
});
