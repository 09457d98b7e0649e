/**
 * Which nightly backups stay: every one of the last week, the last of each of the four weeks before, and the last of each of
 * the six months before those. What a person asked for is never taken away.
 */
const DAYS = 7;
const WEEKS = 4;
const MONTHS = 6;
const DAY_MS = 86_400_000;

type Dated = { readonly name: string; readonly madeAt: string };

/** @returns names of those that can go */
export function toTakeAway(nightly: readonly Dated[]): readonly string[] {
  const newestFirst = [...nightly].sort((a, b) => (a.madeAt < b.madeAt ? 1 : -1));
  const kept = new Set(newestFirst.slice(0, DAYS).map(({ name }) => name));
  keepFirstOf(newestFirst, kept, weekOf, WEEKS);
  keepFirstOf(newestFirst, kept, ({ madeAt }) => madeAt.slice(0, 7), MONTHS);
  return newestFirst.filter(({ name }) => !kept.has(name)).map(({ name }) => name);
}

/** Keeps the newest of each period until there are so many periods that nothing else had kept one of. */
function keepFirstOf(
  newestFirst: readonly Dated[],
  kept: Set<string>,
  periodOf: (each: Dated) => string,
  most: number,
) {
  const periods = new Set(newestFirst.filter(({ name }) => kept.has(name)).map(periodOf));
  let left = most;
  for (const each of newestFirst) {
    const period = periodOf(each);
    if (left === 0 || periods.has(period)) continue;
    periods.add(period);
    kept.add(each.name);
    left--;
  }
}

/** Weeks begin on Monday; the first of all is the one of 5 January 1970. */
function weekOf({ madeAt }: Dated): string {
  return String(Math.floor((Date.parse(madeAt) / DAY_MS - 4) / 7));
}
