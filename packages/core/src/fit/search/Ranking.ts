/**
 * The order of candidates. Of a speaker's stacks the best one stands for it; the speakers are ordered by theirs.
 *
 * Verdicts: clears, measure first, hold, hits. Clearing and held stacks: fewest added parts, then cheapest. Open ones: the
 * surest first. Hitting ones: the one whose worst check misses least; between speakers, where the screws miss most, what is left
 * with a plate of one's own stands for how far they miss (`plateRoom`): first what could be put right. Ties go to fewer parts, less money, and at last to
 * the ids. Between speakers, those of the opening's own size come first within a verdict. Lists never jump.
 */
import { type CheckId, VERDICT_GRAVITY, type Verdict } from '../Check';

export type RankedStack = {
  /** Brackets and rings from the metal to the speaker. */
  readonly layerIds: readonly string[];
  readonly verdict: Verdict;
  readonly decidedBy: CheckId;
  readonly addedParts: number;
  /** One speaker with what it needs, by the piece, in minor units of the shop's currency. */
  readonly costMinor: number;
  /** Margin of the check that decides; null where no length decides. */
  readonly marginMm: number | null;
  readonly expandedMm: number | null;
  /** Where it hits and its screws miss most: how much room a plate of one's own leaves at the most; null elsewhere. */
  readonly plateMm: number | null;
};

export type RankedSpeaker = { readonly speakerId: string; readonly best: RankedStack };

export type Ranking = {
  /** All speakers of the catalogue, best first. */
  readonly speakers: readonly RankedSpeaker[];
  readonly stacksJudged: number;
};

/** What is known of a ranking before all its figures are: enough for a list while a hand moves. */
export type FirstLook = {
  /** Of each speaker of the catalogue, in its order, the place of its verdict in `VERDICTS_BY_RANK`. */
  readonly verdicts: Uint8Array;
  /** The first of those that clear, best first. */
  readonly best: readonly RankedSpeaker[];
  readonly stacksJudged: number;
};

/** What a stack is compared by. */
export type StackScore = {
  readonly verdict: Verdict;
  readonly addedParts: number;
  readonly costMinor: number;
  /** Margin of the worst check that hits, mm; 0 unless the verdict is hits. */
  readonly worstMm: number;
  /** Of all its margins the least, in half-widths of its interval. */
  readonly leastSureness: number;
  readonly ids: string;
};

/** Steps in which figures are compared. */
const STEPS_PER_MM = 1e6;
/** Figures that differ by more than this are never the same to `figureOf`. */
export const SAME_FIGURE = 1 / STEPS_PER_MM;

/**
 * A figure as it is compared: two ways of adding up must not decide an order. Whole steps and not "nearly the same", which
 * has no order: a may be the same as b, and b as c, but not a as c.
 */
export function figureOf(value: number): number {
  const steps = Math.round(value * STEPS_PER_MM);
  return Math.max(-Number.MAX_SAFE_INTEGER, Math.min(Number.MAX_SAFE_INTEGER, steps));
}

/** Negative when a is better. */
export function compareScores(a: StackScore, b: StackScore): number {
  return (
    VERDICT_GRAVITY[a.verdict] - VERDICT_GRAVITY[b.verdict] ||
    byFigure(a, b) ||
    a.addedParts - b.addedParts ||
    a.costMinor - b.costMinor ||
    (a.ids < b.ids ? -1 : a.ids > b.ids ? 1 : 0)
  );
}

function byFigure(a: StackScore, b: StackScore): number {
  if (a.verdict === 'measure') return figureOf(b.leastSureness) - figureOf(a.leastSureness);
  return a.verdict === 'hits' ? figureOf(b.worstMm) - figureOf(a.worstMm) : 0;
}

/** So much of what stays empty of a hole counts among those that a plate puts right: enough to order them, too little for more. */
const EMPTY_SHARE = 1e-3;

/**
 * What a speaker is listed by among those that hit, mm: what is missing, but for screws that a plate would bring to their places. Of
 * those that it would put right the one that fills the hole best comes first.
 *
 * @param emptyMm how much of the hole, from its edge inwards, the body leaves empty
 */
export function listedMm({ worstMm }: Pick<StackScore, 'worstMm'>, plateMm: number | null, emptyMm: number): number {
  return plateMm === null ? worstMm : Math.min(0, plateMm) - EMPTY_SHARE * emptyMm;
}

/** Names a stack by its layers from the metal to the speaker. */
export function stackIds(layerIds: readonly string[]): string {
  return layerIds.join('+');
}
