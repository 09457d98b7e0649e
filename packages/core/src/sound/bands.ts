/** Where so many drawn figures lie. */

/** Half lie below the middle, and 95 in 100 from `lower` to `upper`. */
export type Spread = { readonly middle: number; readonly lower: number; readonly upper: number };
/** At each frequency by itself. */
export type Band = { readonly middle: Float64Array; readonly lower: Float64Array; readonly upper: Float64Array };

/** On each side. */
const BEYOND = 0.025;

/** @param sorted ascending, at least one */
export function spreadOf(sorted: Float64Array): Spread {
  const { length } = sorted;
  const beyond = Math.floor(BEYOND * length);
  return {
    middle: sorted[length >> 1] as number,
    lower: sorted[beyond] as number,
    upper: sorted[length - 1 - beyond] as number,
  };
}

/** @param draws each with a figure at every frequency; at least one */
export function bandOf(draws: readonly Float64Array[]): Band {
  const count = (draws[0] as Float64Array).length;
  const band: Band = {
    middle: new Float64Array(count),
    lower: new Float64Array(count),
    upper: new Float64Array(count),
  };
  const column = new Float64Array(draws.length);
  for (let at = 0; at < count; at++) {
    for (const [each, draw] of draws.entries()) column[each] = draw[at] as number;
    const { middle, lower, upper } = spreadOf(column.sort());
    band.middle[at] = middle;
    band.lower[at] = lower;
    band.upper[at] = upper;
  }
  return band;
}
