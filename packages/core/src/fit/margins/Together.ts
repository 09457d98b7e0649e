/**
 * The chance that several lengths are all left over at once. They share dimensions (a bracket's height counts at the glass
 * and at the front, with opposite signs; a sheet that leans either way comes nearer on one side and goes away on the
 * other), so their chances must not be multiplied.
 *
 * Quasi-Monte-Carlo over the shared dimensions, each with its own distribution: a Kronecker sequence (multiples of the
 * square roots of primes, shifted by a seed) spreads the points evenly, and the same forms give the same figure.
 *
 * @see Niederreiter, Random Number Generation and Quasi-Monte Carlo Methods, 1992, chapter 3 (Kronecker sequences), from memory
 */
import { normalQuantile, ROUNDING_MM, seededRandom, studentTQuantile } from '../../math';
import { wholeFreedom } from '../../uncertainty';
import type { Doubts, Form } from './Doubts';

export const POINTS = 512;
const SEED = 1;
const ROOT_3 = Math.sqrt(3);
/** Beyond so many degrees of freedom Student's t is normal to every purpose here. */
const NEARLY_NORMAL = 60;

/** Places between 0 and 1 for each dimension, found as they are asked for. */
const places: Float64Array[] = [];
const primes: number[] = [];
const random = seededRandom(SEED);
/** The same as rectangular of unit variance. */
const rectangles: Float64Array[] = [];
/** As standard normal, and as Student's t by degrees of freedom. */
const normals: Float64Array[] = [];
const students = new Map<string, Float64Array>();

/** The least of some lengths at each point, mm. */
export type Drawn = { readonly chance: number; readonly leastMm: Float64Array };

/** A dimension that pulls less moves nothing either way. */
const LEAST_PULL = 1e-9;

/** Nothing of it is near enough to count. */
const SURE: Drawn = { chance: 1, leastMm: new Float64Array(POINTS).fill(Number.POSITIVE_INFINITY) };

/**
 * Draws all that the forms depend on.
 *
 * @param groups the forms of each check
 * @returns for each group and for all together, last
 */
export function drawTogether(groups: readonly (readonly Form[])[], doubts: Doubts): readonly Drawn[] {
  const draws = new Map<number, Float64Array>();
  // In the order of the slots: the gaps may come in another one where the car is seen in a mirror.
  const pulls = [...pullsOf(groups)].sort(([a], [b]) => a - b);
  pulls.forEach(([slot, pull], dimension) => {
    const draw = drawsOf(dimension, slot, doubts);
    draws.set(slot, pull < -LEAST_PULL ? draw.map((each) => -each) : draw);
  });
  const all = new Float64Array(POINTS).fill(Number.POSITIVE_INFINITY);
  const drawn = groups.map((forms): Drawn => {
    if (forms.length === 0) return SURE;
    const leastMm = new Float64Array(POINTS).fill(Number.POSITIVE_INFINITY);
    for (const form of forms) lower(leastMm, form, draws, doubts);
    for (let point = 0; point < POINTS; point++) all[point] = Math.min(all[point] as number, leastMm[point] as number);
    return { chance: chanceOf(leastMm), leastMm };
  });
  return [...drawn, { chance: chanceOf(all), leastMm: all }];
}

/**
 * Which way each dimension moves all forms together. Every distribution lies evenly about its value, so that a draw may be
 * turned round: with this one a car seen in a mirror, where what was to the right is to the left, has the same figures.
 */
function pullsOf(groups: readonly (readonly Form[])[]): ReadonlyMap<number, number> {
  const pulls = new Map<number, number>();
  for (const forms of groups)
    for (const { slots, sensitivities } of forms)
      for (let at = 0; at < slots.length; at++) {
        const slot = slots[at] as number;
        const by = sensitivities[at] as number;
        pulls.set(slot, (pulls.get(slot) ?? 0) + by + by ** 3);
      }
  return pulls;
}

/** The value that so large a part of the points lies below, mm. */
export function quantileOf({ leastMm }: Drawn, probability: number): number {
  const place = Math.max(0, Math.min(POINTS - 1, probability * POINTS - 0.5));
  const at = Math.min(POINTS - 2, Math.floor(place));
  const share = place - at;
  work.set(leastMm);
  const below = selected(work, at);
  let above = Number.POSITIVE_INFINITY;
  for (let each = at + 1; each < POINTS; each++) above = Math.min(above, work[each] as number);
  return (1 - share) * below + share * above;
}

const work = new Float64Array(POINTS);

/** The value that would stand in a place if all were sorted; those after it are no less. Hoare's selection. */
function selected(values: Float64Array, place: number): number {
  let low = 0;
  let high = values.length - 1;
  while (low < high) {
    const pivot = values[place] as number;
    let left = low;
    let right = high;
    while (left <= right) {
      while ((values[left] as number) < pivot) left++;
      while ((values[right] as number) > pivot) right--;
      if (left > right) break;
      const swap = values[left] as number;
      values[left++] = values[right] as number;
      values[right--] = swap;
    }
    if (right < place) low = left;
    if (left > place) high = right;
  }
  return values[place] as number;
}

function chanceOf(leastMm: Float64Array): number {
  let clear = 0;
  for (let point = 0; point < POINTS; point++) if ((leastMm[point] as number) >= -ROUNDING_MM) clear++;
  return clear / POINTS;
}

const sum = new Float64Array(POINTS);

function lower(
  leastMm: Float64Array,
  { valueMm, slots, sensitivities }: Form,
  draws: ReadonlyMap<number, Float64Array>,
  { uncertaintyMm }: Doubts,
): void {
  sum.fill(valueMm);
  for (let at = 0; at < slots.length; at++) {
    const slot = slots[at] as number;
    const by = (sensitivities[at] as number) * (uncertaintyMm[slot] as number);
    const draw = draws.get(slot) as Float64Array;
    for (let point = 0; point < POINTS; point++) sum[point] = (sum[point] as number) + by * (draw[point] as number);
  }
  for (let point = 0; point < POINTS; point++) {
    if ((sum[point] as number) < (leastMm[point] as number)) leastMm[point] = sum[point] as number;
  }
}

/** Of unit standard deviation; Student's t as wide as its few readings make it. */
function drawsOf(dimension: number, slot: number, { isRectangular, freedom }: Doubts): Float64Array {
  const place = placesOf(dimension);
  if (isRectangular[slot] === 1) {
    rectangles[dimension] ??= place.map((each) => ROOT_3 * (2 * each - 1));
    return rectangles[dimension] as Float64Array;
  }
  const degrees = freedom[slot] as number;
  if (degrees >= NEARLY_NORMAL) {
    normals[dimension] ??= place.map(normalQuantile);
    return normals[dimension] as Float64Array;
  }
  const key = `${dimension}/${wholeFreedom(degrees)}`;
  let draws = students.get(key);
  if (!draws) {
    draws = place.map((each) => studentTQuantile(each, wholeFreedom(degrees)));
    students.set(key, draws);
  }
  return draws;
}

function placesOf(dimension: number): Float64Array {
  while (places.length <= dimension) {
    const step = Math.sqrt(nextPrime()) % 1;
    const shift = random();
    places.push(Float64Array.from({ length: POINTS }, (_, point) => ((point + 1) * step + shift) % 1 || 0.5));
  }
  return places[dimension] as Float64Array;
}

function nextPrime(): number {
  let candidate = (primes[primes.length - 1] ?? 1) + 1;
  while (primes.some((prime) => candidate % prime === 0)) candidate++;
  primes.push(candidate);
  return candidate;
}
