import { expect, test } from '@jest/globals';
import { areaOfGaugeMm2, conductorOhm } from './gauge';

/** Diameters of solid wire, mm, by ASTM B258, table 1 (from memory). */
test.each([
  [0, 8.2515],
  [4, 5.189],
  [8, 3.264],
  [10, 2.588],
  [12, 2.053],
  [14, 1.628],
  [16, 1.291],
  [18, 1.024],
  [20, 0.8118],
  [36, 0.127],
])('gauge %i has a diameter of %f mm', (gauge, mm) => {
  expect(Math.sqrt((areaOfGaugeMm2(gauge) * 4) / Math.PI)).toBeCloseTo(mm, 3);
});

/** Ω for each kilometre of solid copper at 20 °C, by published tables of the same standard (from memory). */
test.each([
  [10, 3.277],
  [12, 5.211],
  [16, 13.17],
  [18, 20.95],
])('a kilometre of gauge %i has %f Ω', (gauge, ohm) => {
  expect(conductorOhm(areaOfGaugeMm2(gauge), 1000) / ohm).toBeCloseTo(1, 2);
});

test('1 mm² of copper has 17.241 mΩ a metre (IEC 60028), and 3.93 % more ten kelvin higher', () => {
  expect(conductorOhm(1, 1)).toBeCloseTo(0.017241, 12);
  expect(conductorOhm(1, 1, 30) / conductorOhm(1, 1)).toBeCloseTo(1.0393, 12);
});
