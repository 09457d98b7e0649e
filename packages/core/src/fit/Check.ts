/**
 * One question to one candidate, answered with a verdict, what is left, where, and a sentence.
 */
import type { Vec3 } from '../geometry/vector';
import { type Margin, type MarginVerdict, marginVerdict, sureness, toMargin } from '../uncertainty/Margin';
import type { Quantity } from '../uncertainty/Quantity';

/** The four words. Hold is for what no millimetre settles. */
export type Verdict = 'clears' | 'measure' | 'hits' | 'hold';

/** In the order in which a fitter would ask. */
export const CHECK_IDS = [
  'hole',
  'bolts',
  'depth',
  'obstacles',
  'front',
  'terminals',
  'wireWay',
  'connector',
  'chime',
] as const;
export type CheckId = (typeof CHECK_IDS)[number];

/** The opening's dimensions by name, as the fields on the screen are called. */
export type OpeningDimensionKey =
  | 'holeDiameter'
  | 'holeLength'
  | 'holeWidth'
  | 'boltCircle'
  | 'boltWidth'
  | 'boltHeight'
  | 'depthBehind'
  | 'depthTop'
  | 'depthBottom'
  | 'depthFront'
  | 'depthRear'
  | 'lowerEdge'
  | 'frontGap';

/** The two nearest points of a check, in the opening's frame, mm. */
export type Nearest = {
  readonly onPart: Vec3;
  readonly onOther: Vec3;
  /** The room that is asked between them, mm. */
  readonly askedMm: number;
};

const NOTHING_MISSING: readonly OpeningDimensionKey[] = [];

export type Check = {
  readonly id: CheckId;
  readonly verdict: Verdict;
  /** False where nobody knows enough to ask, and it is left to the fitter's eye: nothing is claimed, and nothing is held. */
  readonly isJudged: boolean;
  /** null where the answer is no length, or a dimension is missing. */
  readonly margin: Margin | null;
  /** Where the margin is; null where it has no place in space. */
  readonly nearest: Nearest | null;
  /** Dimensions of the opening that must be taken before this can be judged. */
  readonly missing: readonly OpeningDimensionKey[];
  readonly sentence: string;
};

/** One of the gaps that a check looks at: the worst of them is the check. */
export type GapOption = {
  readonly quantity: Quantity;
  readonly nearest: Nearest | null;
  /** Told the margin so that it can quote it; put into words only when read. */
  readonly sentence: (margin: Margin, verdict: Verdict) => string;
};

const GRAVITY: Readonly<Record<Verdict, number>> = { clears: 0, measure: 1, hold: 2, hits: 3 };

/** The graver of two verdicts: what cannot be undone comes first, a hit is worse than an open question. */
export function graver(a: Verdict, b: Verdict): Verdict {
  return GRAVITY[a] >= GRAVITY[b] ? a : b;
}

/**
 * A check decided by the worst of one or more gaps: of those that hit the one that misses most, otherwise the one that is
 * least sure, and of equally sure ones the one with less left. The first of equals is taken.
 */
export function worstGapCheck(id: CheckId, options: readonly GapOption[], confidence: number): Check {
  let worst: GapCheck | null = null;
  for (const option of options) {
    const margin = toMargin(option.quantity, confidence);
    const each = new GapCheck(id, marginVerdict(margin), margin, option);
    if (!worst || isWorse(each, worst)) worst = each;
  }
  if (!worst) throw new Error(`worstGapCheck: expected a gap for ${id}, got none`);
  return worst;
}

/** A check decided by one length. */
export function marginCheck(
  id: CheckId,
  quantity: Quantity,
  confidence: number,
  sentence: GapOption['sentence'],
  nearest: Nearest | null = null,
): Check {
  return worstGapCheck(id, [{ quantity, nearest, sentence }], confidence);
}

function isWorse(a: GapCheck, b: GapCheck): boolean {
  if (a.verdict !== b.verdict) return graver(a.verdict, b.verdict) === a.verdict;
  const off = a.verdict === 'hits' ? 0 : sureness(a.margin) - sureness(b.margin);
  return off !== 0 ? off < 0 : a.margin.valueMm < b.margin.valueMm;
}

class GapCheck implements Check {
  readonly isJudged = true;
  readonly missing = NOTHING_MISSING;

  constructor(
    readonly id: CheckId,
    readonly verdict: MarginVerdict,
    readonly margin: Margin,
    private readonly option: GapOption,
  ) {}

  get nearest(): Nearest | null {
    return this.option.nearest;
  }

  get sentence(): string {
    return this.option.sentence(this.margin, this.verdict);
  }
}

/** A check that cannot be answered yet: measure first. */
export function missingCheck(id: CheckId, missing: readonly OpeningDimensionKey[], sentence: string): Check {
  return { id, verdict: 'measure', isJudged: true, margin: null, nearest: null, missing, sentence };
}

/** A check that is decided without a length. */
export function factCheck(id: CheckId, verdict: 'clears' | 'measure' | 'hold', sentence: string): Check {
  return { id, verdict, isJudged: true, margin: null, nearest: null, missing: NOTHING_MISSING, sentence };
}

/** A check that is left to the fitter's eye: what it would need is not in a catalogue, or was not noted. */
export function unjudgedCheck(id: CheckId, sentence: string): Check {
  return { ...factCheck(id, 'clears', sentence), isJudged: false };
}
