/**
 * The middle one of some numbers, of an even count the mean of the two in the middle.
 *
 * @returns NaN of none; those that are NaN are passed over
 */
export function median(numbers: readonly number[]): number {
  const sorted = numbers.filter((each) => !Number.isNaN(each)).sort((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  const upper = sorted[half] ?? Number.NaN;
  return sorted.length % 2 === 1 ? upper : ((sorted[half - 1] ?? Number.NaN) + upper) / 2;
}
