/** Flexible copper conductors as they are sold by metric area. */
import { areaOfGaugeMm2 } from './gauge';

/**
 * The most resistance that a conductor may have at 20 °C, Ω/km: class 5, plain copper.
 *
 * @see IEC 60228, table 3 (from memory). Copper-clad aluminium has two thirds more, and is no such conductor
 */
const OHM_A_KM = {
  0.5: 39,
  0.75: 26,
  1: 19.5,
  1.5: 13.3,
  2.5: 7.98,
  4: 4.95,
  6: 3.3,
  10: 1.91,
  16: 1.21,
  25: 0.78,
  35: 0.554,
  50: 0.386,
} as const;
export const METRIC_AREAS_MM2: readonly number[] = Object.keys(OHM_A_KM)
  .map(Number)
  .sort((a, b) => a - b);

/** @param areaMm2 one of `METRIC_AREAS_MM2` */
export function ohmOfMetre(areaMm2: number): number {
  const ohm = (OHM_A_KM as Readonly<Record<number, number>>)[areaMm2];
  if (ohm === undefined)
    throw new Error(`ohmOfMetre: expected one of ${METRIC_AREAS_MM2.join(', ')} mm², got ${areaMm2}`);
  return ohm / 1000;
}

/** The American gauge that is sold for a metric area, of the even ones: "16 AWG". */
export function gaugeOfArea(areaMm2: number): string {
  let gauge = 40;
  while (areaOfGaugeMm2(gauge) < areaMm2 * (1 - ROUNDED)) gauge -= 2;
  return gauge > 0 ? `${gauge} AWG` : `${1 - gauge}/0 AWG`;
}
/** So much less copper goes for the same: the 1.31 mm² of 16 AWG for 1.5, the 3.31 of 12 AWG for 4. */
const ROUNDED = 0.2;
