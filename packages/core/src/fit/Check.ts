/**
 * One question to one candidate, answered with a verdict, what is left, and a sentence.
 */
import { type Margin, type MarginVerdict, marginVerdict, toMargin } from '../uncertainty/Margin';
import type { Quantity } from '../uncertainty/Quantity';

/** The four words. Hold is for what no millimetre settles. */
export type Verdict = 'clears' | 'measure' | 'hits' | 'hold';

/** In the order in which a fitter would ask. */
export const CHECK_IDS = ['hole', 'bolts', 'depth', 'front', 'spacerWindow', 'connector', 'chime'] as const;
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
  | 'frontGap';

const NOTHING_MISSING: readonly OpeningDimensionKey[] = [];

export type Check = {
  readonly id: CheckId;
  readonly verdict: Verdict;
  /** null where the answer is no length, or a dimension is missing. */
  readonly margin: Margin | null;
  /** Dimensions of the opening that must be taken before this can be judged. */
  readonly missing: readonly OpeningDimensionKey[];
  readonly sentence: string;
};

/**
 * A check decided by a length. The sentence is told the margin so that it can quote it, and is put into words only
 * when it is read: a ranking makes a hundred thousand checks and shows a few hundred.
 */
export function marginCheck(
  id: CheckId,
  of: Quantity,
  confidence: number,
  sentence: (margin: Margin, verdict: Verdict) => string,
): Check {
  const margin = toMargin(of, confidence);
  const verdict = marginVerdict(margin);
  return new MarginCheck(id, verdict, margin, sentence);
}

class MarginCheck implements Check {
  readonly missing = NOTHING_MISSING;

  constructor(
    readonly id: CheckId,
    readonly verdict: MarginVerdict,
    readonly margin: Margin,
    private readonly toSentence: (margin: Margin, verdict: Verdict) => string,
  ) {}

  get sentence(): string {
    return this.toSentence(this.margin, this.verdict);
  }
}

/** A check that cannot be answered yet: measure first. */
export function missingCheck(id: CheckId, missing: readonly OpeningDimensionKey[], sentence: string): Check {
  return { id, verdict: 'measure', margin: null, missing, sentence };
}

/** A check that is decided without a length. */
export function factCheck(id: CheckId, verdict: 'clears' | 'hold', sentence: string): Check {
  return { id, verdict, margin: null, missing: NOTHING_MISSING, sentence };
}
