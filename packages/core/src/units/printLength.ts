/**
 * Prints lengths for people. Millimetres carry one decimal at most, inches the nearest 1/32: finer figures would claim
 * more than a calliper behind a door panel gives. Margins are cut to the cautious side (less room, never more).
 */
import type { LengthUnit } from './parseLength';

export const MM_PER_INCH = 25.4;
const INCH_PARTS = 32;
/** Thousandths: with hundredths the play of a screw in its hole would be rounded to nothing. */
const MARGIN_PLACES: Readonly<Record<LengthUnit, number>> = { mm: 1, in: 3 };
/** Keeps 2.3 from being cut to 2.2 because its double lies a hair below. */
const CUT_GUARD = 1e-9;

/**
 * A length with its unit, such as `60.3 mm` or `2 3/8 in`.
 *
 * @param valueMm length in mm, any sign
 * @param unit the unit to print in; inches are rounded to the nearest 1/32
 * @example printLength(60.325, 'in') // '2 3/8 in'
 */
export function printLength(valueMm: number, unit: LengthUnit): string {
  return `${printNumber(valueMm, unit)} ${unit}`;
}

/** The number of {@link printLength} without its unit, for columns whose head names it. */
export function printNumber(valueMm: number, unit: LengthUnit): string {
  return unit === 'mm' ? trimZero(valueMm.toFixed(1)) : printInchFraction(valueMm);
}

/**
 * A margin, signed, cut downwards to 0.1 mm or 0.001 in, without a unit: `+2.3`, `−0.7`, `0.0`.
 *
 * @param valueMm margin in mm; negative means missing
 */
export function printMargin(valueMm: number, unit: LengthUnit): string {
  const places = MARGIN_PLACES[unit];
  const value = unit === 'mm' ? valueMm : valueMm / MM_PER_INCH;
  const cut = Math.floor(value * 10 ** places + CUT_GUARD) / 10 ** places;
  if (cut === 0) return (0).toFixed(places);
  return `${cut > 0 ? '+' : '−'}${Math.abs(cut).toFixed(places)}`;
}

/** The half-width of an interval, rounded up to the margin's last place: `0.8`. Never negative. */
export function printPlusMinus(halfWidthMm: number, unit: LengthUnit): string {
  const places = MARGIN_PLACES[unit];
  const value = unit === 'mm' ? halfWidthMm : halfWidthMm / MM_PER_INCH;
  return (Math.ceil(value * 10 ** places - CUT_GUARD) / 10 ** places).toFixed(places);
}

function printInchFraction(valueMm: number): string {
  const parts = Math.round((Math.abs(valueMm) / MM_PER_INCH) * INCH_PARTS);
  const sign = valueMm < 0 && parts > 0 ? '−' : '';
  const whole = Math.floor(parts / INCH_PARTS);
  let numerator = parts % INCH_PARTS;
  if (numerator === 0) return `${sign}${whole}`;
  let denominator = INCH_PARTS;
  while (numerator % 2 === 0) {
    numerator /= 2;
    denominator /= 2;
  }
  return `${sign}${whole > 0 ? `${whole} ` : ''}${numerator}/${denominator}`;
}

function trimZero(text: string): string {
  return text.replace(/\.0$/, '').replace(/^-0$/, '0').replace('-', '−');
}
