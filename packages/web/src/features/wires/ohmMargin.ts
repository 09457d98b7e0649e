/** What is left of a load, in words and on a rail. */

/** So wide is a rail on each side of its zero, Ω. */
export const RAIL_OHM = 4;

/** "+0.37 ± 0.35 Ω"; what is left is told down, and its doubt up. */
export function ohmMarginWords({ ohm, expandedOhm }: { readonly ohm: number; readonly expandedOhm: number }): string {
  const left = Math.floor(ohm * 100 + ROUNDING) / 100;
  const sign = left < 0 ? '−' : '+';
  return `${sign}${Math.abs(left).toFixed(2)} ± ${(Math.ceil(expandedOhm * 100 - ROUNDING) / 100).toFixed(2)} Ω`;
}

/** A figure that ends at two places is not told as the next one for being binary. */
const ROUNDING = 1e-7;
