/** Which of the placements of one stack is the best. */
import { VERDICT_GRAVITY, VERDICTS_BY_RANK, type Verdict } from '../Check';
import type { Placement } from '../mates/placements';
import { figureOf } from './Ranking';

export type PlacementScore = {
  readonly verdict: Verdict;
  readonly landed: number;
  readonly worstMm: number;
  /** What is missing in all checks that miss, mm. */
  readonly missedMm: number;
  readonly leastSureness: number;
  /** Of all margins together, none counting for more than plenty. */
  readonly ease: number;
  readonly marginsMm: readonly number[];
};

export function landedOf({ turns }: Placement): number {
  return turns.reduce((sum, { turn }) => sum + turn.landed, 0);
}

/** The gravest verdict with which a placement would be better than the best so far; null where none would. */
export function mostFor(placement: Placement, { verdict, landed }: PlacementScore): Verdict | null {
  if (landedOf(placement) >= landed) return verdict;
  return VERDICTS_BY_RANK[VERDICT_GRAVITY[verdict] - 1] ?? null;
}

/** Placements whose figures differ by less are the same to a hand with a screwdriver: then the screws sit as well as they can. */
const SAME_STEPS = 20;
/** One of these steps, mm. */
export const SAME_MM = 1 / SAME_STEPS;
/** Beyond this a margin makes a placement no better. */
const PLENTY = 4;

/** What a sureness counts for in `ease`. */
export function easeOf(sureness: number): number {
  return Math.max(-PLENTY, Math.min(PLENTY, sureness));
}

/** Negative when a is better; the same whichever way round the car is looked at. */
export function comparePlacements(a: PlacementScore, b: PlacementScore): number {
  return (
    VERDICT_GRAVITY[a.verdict] - VERDICT_GRAVITY[b.verdict] ||
    b.landed - a.landed ||
    stepsOf(b.worstMm) - stepsOf(a.worstMm) ||
    stepsOf(b.missedMm) - stepsOf(a.missedMm) ||
    stepsOf(b.leastSureness) - stepsOf(a.leastSureness) ||
    stepsOf(b.ease) - stepsOf(a.ease) ||
    byMargins(a.marginsMm, b.marginsMm)
  );
}

/** Of two that are alike in all this the first margin that differs. */
function byMargins(a: readonly number[], b: readonly number[]): number {
  for (const [at, mm] of a.entries()) {
    const off = figureOf(b[at] as number) - figureOf(mm);
    if (off !== 0) return off;
  }
  return 0;
}

function stepsOf(value: number): number {
  return Math.round(Math.max(-MOST_FIGURE, Math.min(MOST_FIGURE, value)) * SAME_STEPS);
}

const MOST_FIGURE = 1e6;
