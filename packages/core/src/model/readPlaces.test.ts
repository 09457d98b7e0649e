import { describe, expect, test } from '@jest/globals';
import { readPlaces } from './readPlaces';

describe('readPlaces', () => {
  test('one place a line, with a bulge or without, in mm or inches', () => {
    expect(readPlaces('60; 0; 12\n\n-60,5; 1 1/2"\n', 'mm', 3)).toEqual({
      ok: true,
      value: [
        { xMm: 60, yMm: 0, bulgeMm: 12 },
        { xMm: -60.5, yMm: 38.1, bulgeMm: 0 },
      ],
    });
    expect(readPlaces('2; 1', 'in', 2)).toEqual({ ok: true, value: [{ xMm: 50.8, yMm: 25.4, bulgeMm: 0 }] });
  });

  test('nothing typed is no place', () => {
    expect(readPlaces(' \n', 'mm', 2)).toEqual({ ok: true, value: [] });
  });

  test.each([
    ['60', 2, 'Line 1: "60" was read; expected right; up.'],
    ['60; 0\n60; 0; 3', 2, 'Line 2: "60; 0; 3" was read; expected right; up.'],
    ['1; 2; 3; 4', 3, 'Line 1: "1; 2; 3; 4" was read; expected right; up, and a bulge if the edge is one.'],
    ['60; x', 2, '"x" was not understood'],
  ] as const)('%j: names the line', (text, columns, says) => {
    const read = readPlaces(text, 'mm', columns);
    expect(read.ok ? '' : read.failure).toMatch(/^Line \d: /);
    expect(read.ok ? '' : read.failure).toContain(says);
  });
});
