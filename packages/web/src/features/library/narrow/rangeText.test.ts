import { expect, test } from '@jest/globals';
import { RANGED } from '@low-quarry/core/catalogue';
import fc from 'fast-check';
import { endText, rangedLabel, rangedText, readEnd } from './rangeText';

test('lengths are read in the set unit or in their own, prices in major units', () => {
  expect(readEnd('depth', '63', 'mm')).toEqual({ ok: true, value: 63 });
  expect(readEnd('depth', '2-1/2"', 'mm')).toEqual({ ok: true, value: 63.5 });
  expect(readEnd('depth', '2 1/2', 'in')).toEqual({ ok: true, value: 63.5 });
  expect(readEnd('cost', '68,50', 'mm')).toEqual({ ok: true, value: 6850 });
  expect(readEnd('power', ' ', 'mm')).toEqual({ ok: true, value: null });
});

test.each([
  ['depth', 'deep'],
  ['depth', '-5'],
  ['power', '60 W'],
  ['cost', '1e3'],
] as const)('%s "%s" is refused in words', (ranged, typed) => {
  const read = readEnd(ranged, typed, 'mm');
  expect(read.ok).toBe(false);
  expect(read.ok ? '' : read.failure.length).toBeGreaterThan(10);
});

test('what stands in a field is read as the end that it stands for', () => {
  fc.assert(
    fc.property(fc.constantFrom(...RANGED), fc.option(fc.integer({ min: 0, max: 99_999 })), (ranged, tenths) => {
      const end = tenths === null ? null : ranged === 'cost' ? tenths : tenths / 10;
      expect(readEnd(ranged, endText(ranged, end, 'mm'), 'mm')).toEqual({ ok: true, value: end });
    }),
  );
});

test('heads of columns say the unit, values do not', () => {
  expect(rangedLabel('depth', 'in', 'EUR')).toBe('Mounting depth, in');
  expect(rangedLabel('power', 'in', 'EUR')).toBe('Power, RMS, W');
  expect(rangedLabel('cost', 'mm', 'EUR')).toBe('Price of a piece, EUR');
  expect(rangedText('cost', 6800, 'mm')).toBe('68.00');
  expect(rangedText('depth', 63.5, 'in')).toBe('2 1/2');
});
