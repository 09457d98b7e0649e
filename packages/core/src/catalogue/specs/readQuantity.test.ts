import { describe, expect, test } from '@jest/globals';
import { readQuantity } from './readQuantity';

const read = (text: string, unit: string) => {
  const found = readQuantity(text, unit, '1.5');
  return found.ok ? found.value : found.failure;
};

describe('a number is read with the unit that it is asked in, or without', () => {
  test.each([
    ['1.5', 'mm²', 1.5],
    ['1,5 mm²', 'mm²', 1.5],
    ['1.5qmm', 'mm²', 1.5],
    ['ca. 4 Ohm', 'Ω', 4],
    ['4Ω', 'Ω', 4],
    ['100 µF', 'µF', 100],
    ['100 μF', 'µF', 100],
    ['470 nF', 'µF', 0.47],
    ['3.5 kHz', 'Hz', 3500],
    ['±10 %', '± %', 10],
    ['+/- 5%', '± %', 5],
    ['−4', 'mm', -4],
    ['30A', 'A', 30],
    ['50 cm', 'm', 0.5],
    ['4', '', 4],
  ])('%s in %s', (text, unit, value) => expect(read(text, unit)).toBe(value));

  test.each([
    ['4 A', 'V'],
    ['4 things', ''],
    ['four', 'A'],
    ['4 5', 'A'],
    ['', 'A'],
  ])('“%s” is nothing in %s, and it is said what would do', (text, unit) =>
    expect(read(text, unit)).toBe(`“${text}” was read. A number such as 1.5 would do.`),
  );
});

/** Cross sections of solid wire by ASTM B258, table 1 (values from memory, in mm²). */
test.each([
  [8, 8.37],
  [10, 5.26],
  [12, 3.31],
  [14, 2.08],
  [16, 1.31],
  [18, 0.823],
  [20, 0.519],
])('wire of gauge %i has %f mm²', (gauge, mm2) => {
  expect(read(`${gauge} AWG`, 'mm²')).toBeCloseTo(mm2, 2);
  expect(read(`AWG${gauge}`, 'mm²')).toBe(read(`${gauge} awg`, 'mm²'));
});
