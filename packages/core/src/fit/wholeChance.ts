/**
 * The chance that a candidate fits as a whole: every length clears at once. Checks share dimensions (a bracket's height
 * counts at the glass and at the front, with opposite signs), so their chances must not be multiplied.
 *
 * Quasi-Monte-Carlo over the shared dimensions: a Kronecker sequence (multiples of the square roots of primes, shifted by
 * a seed) spreads the points evenly, and the same seed gives the same figure. Each point is judged twice: with the real
 * geometry, and with the margins' first-order slopes. Where the two chances differ the slopes do not tell the truth (a
 * glass that may lean either way, a beam that another ring is nearer to), and that is shown. Joints stay at their best
 * turn and take part by their slopes, because a turn is chosen at the door.
 *
 * @see Niederreiter, Random Number Generation and Quasi-Monte Carlo Methods, 1992, chapter 3 (Kronecker sequences), from memory
 */
import { normalQuantile } from '../math/normalQuantile';
import { seededRandom } from '../math/seededRandom';
import type { Dimension } from '../uncertainty/Dimension';
import type { Margin } from '../uncertainty/Margin';
import type { Check } from './Check';
import { depthCheck } from './checks/depthCheck';
import { frontCheck } from './checks/frontCheck';
import { holeCheck } from './checks/holeCheck';
import { obstaclesCheck } from './checks/obstaclesCheck';
import { terminalsCheck } from './checks/terminalsCheck';
import { mapCandidate, mapOpening } from './dimensionNames';
import type { Judgement } from './judgeCandidate';
import type { Candidate, FitOpening, FitRules } from './shapes';
import { raised } from './stack';

export type WholeChance = {
  /** With the real geometry, from 0 to 1. */
  readonly chance: number;
  /** With first-order slopes. */
  readonly firstOrder: number;
  /** Whether the two say different things: further apart than the points can tell. */
  readonly differ: boolean;
};

export type ChanceOptions = { readonly points: number; readonly seed: number };
export const CHANCE_DEFAULTS: ChanceOptions = { points: 512, seed: 1 };

/** Two chances within this of each other are one (512 points resolve about a hundredth). */
const SAME_CHANCE = 0.03;

/**
 * @param judgement of this very candidate
 * @returns null where a dimension is missing: nobody can say
 */
export function wholeChance(
  opening: FitOpening,
  candidate: Candidate,
  judgement: Judgement,
  rules: FitRules,
  { points, seed }: ChanceOptions = CHANCE_DEFAULTS,
): WholeChance | null {
  if (judgement.checks.some(({ missing }) => missing.length > 0)) return null;
  const names = doubtfulNames(opening, candidate);
  const margins = judgement.checks.flatMap(({ margin }) => (margin ? [margin] : []));
  const bolts = judgement.checks.find(({ id }) => id === 'bolts')?.margin ?? null;
  const sequence = kronecker(names.length, seed);
  let real = 0;
  let linear = 0;
  for (let point = 1; point <= points; point++) {
    const unit = sequence(point);
    const shift = new Map(
      names.map(({ name, dimension }, at) => [name, normalQuantile(unit[at] ?? 0.5) * dimension.uncertaintyMm]),
    );
    if (margins.every((margin) => linearMm(margin, shift) >= 0)) linear++;
    if (bolts && linearMm(bolts, shift) < 0) continue;
    if (clearsMoved(opening, candidate, judgement, rules, shift)) real++;
  }
  const [chance, firstOrder] = [real / points, linear / points];
  return { chance, firstOrder, differ: Math.abs(chance - firstOrder) > SAME_CHANCE };
}

/** Every dimension of both that is not known exactly, once. */
function doubtfulNames(opening: FitOpening, candidate: Candidate) {
  const found = new Map<string, Dimension>();
  const note = (name: string, dimension: Dimension) => {
    if (dimension.uncertaintyMm > 0) found.set(name, dimension);
    return dimension;
  };
  mapOpening(opening, note);
  mapCandidate(candidate, note);
  return [...found].map(([name, dimension]) => ({ name, dimension }));
}

function linearMm({ valueMm, terms }: Margin, shift: ReadonlyMap<string, number>): number {
  return terms.reduce((sum, { name, sensitivity }) => sum + sensitivity * (shift.get(name) ?? 0), valueMm);
}

function clearsMoved(
  opening: FitOpening,
  candidate: Candidate,
  { mount }: Judgement,
  rules: FitRules,
  shift: ReadonlyMap<string, number>,
): boolean {
  const move = (name: string, dimension: Dimension): Dimension => {
    const by = shift.get(name);
    return by === undefined ? dimension : { ...dimension, valueMm: dimension.valueMm + by };
  };
  const door = mapOpening(opening, move);
  const parts = mapCandidate(candidate, move);
  const placed = { ...mount, pose: { ...mount.pose, raisedMm: raised(parts).valueMm } };
  const margin = (check: Check) => check.margin?.valueMm ?? 0;
  return [frontCheck, holeCheck, depthCheck, obstaclesCheck, terminalsCheck].every(
    (check) => margin(check(door, parts, placed, rules, 'mm')) >= 0,
  );
}

/** Points of the unit cube: multiples of the square roots of the first primes, shifted. */
function kronecker(dimensions: number, seed: number): (point: number) => readonly number[] {
  const random = seededRandom(seed);
  const steps = firstPrimes(dimensions).map((prime) => Math.sqrt(prime) % 1);
  const shifts = steps.map(() => random());
  return (point) =>
    steps.map((step, at) => {
      const place = (point * step + (shifts[at] ?? 0)) % 1;
      return place > 0 ? place : 0.5;
    });
}

function firstPrimes(count: number): readonly number[] {
  const primes: number[] = [];
  for (let candidate = 2; primes.length < count; candidate++) {
    if (primes.every((prime) => candidate % prime !== 0)) primes.push(candidate);
  }
  return primes;
}
