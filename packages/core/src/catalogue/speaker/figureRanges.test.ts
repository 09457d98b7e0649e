import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { RANGED, readRanges, writeRanges } from './figureRanges';

test('what is written is read as it was', () => {
  const end = fc.option(fc.integer({ min: 0, max: 999_999_999 }).map((thousandths) => thousandths / 1000));
  fc.assert(
    fc.property(fc.dictionary(fc.constantFrom(...RANGED), fc.tuple(end, end)), (given) => {
      const ranges = Object.fromEntries(
        Object.entries(given).flatMap(([name, [a, b]]) => {
          const [least, most] = a !== null && b !== null && a > b ? [b, a] : [a, b];
          return least === null && most === null ? [] : [[name, { least, most }]];
        }),
      );
      expect(readRanges(writeRanges(ranges))).toEqual(ranges);
    }),
  );
});

test.each([
  ['depth:40-63,cutout:-145', { depth: { least: 40, most: 63 }, cutout: { least: null, most: 145 } }],
  ['power:50-', { power: { least: 50, most: null } }],
  ['depth:-', {}],
  ['', {}],
])('%s', (text, ranges) => {
  expect(readRanges(text)).toEqual(ranges);
});

test.each(['depth', 'depth:63-40', 'girth:1-2', 'depth:a-b', 'depth:1-2-3', 'depth:1e9-', "depth:1-2,'--"])(
  '%s is none',
  (text) => {
    expect(readRanges(text)).toBeNull();
  },
);
