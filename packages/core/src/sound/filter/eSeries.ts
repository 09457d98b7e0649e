/**
 * Preferred values of resistors, capacitors and coils.
 *
 * @see IEC 60063. The series up to E24 are a table of their own; from E48 on a value is the root rounded to three figures, but for 9.20 in E192
 */

const E24 = [
  1, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2, 2.2, 2.4, 2.7, 3, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5, 8.2, 9.1,
] as const;
export type ESeries = 3 | 6 | 12 | 24 | 48 | 96 | 192;

/** The values of a series from 1 to below 10, rising. */
export function eSeries(series: ESeries): readonly number[] {
  if (series <= 24) return E24.filter((_, at) => at % (24 / series) === 0);
  return Array.from({ length: series }, (_, at) => {
    const value = Math.round(100 * 10 ** (at / series)) / 100;
    return value === 9.19 ? 9.2 : value;
  });
}

/**
 * The value of a series that lies nearest as a ratio: a tenth too much is as far off as a tenth too little.
 *
 * @param value above 0
 */
export function nearestOf(series: ESeries, value: number): number {
  if (!(value > 0)) throw new Error(`nearestOf: expected a value above 0, got ${value}`);
  const decade = Math.floor(Math.log10(value));
  const candidates = [decade - 1, decade, decade + 1].flatMap((power) =>
    eSeries(series).map((each) => Number(`${each}e${power}`)),
  );
  const off = (candidate: number) => Math.abs(Math.log(candidate / value));
  return candidates.reduce((best, each) => (off(each) < off(best) ? each : best));
}
