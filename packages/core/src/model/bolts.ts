/** Where the first of so many screws on a circle stands in most doors: at 12 o'clock for an odd number, between the axes for four and more (common practice, no source). */
export function firstScrewDeg(count: number): number {
  if (count === 2) return 0;
  return count % 2 === 1 ? 90 : 180 / count;
}
