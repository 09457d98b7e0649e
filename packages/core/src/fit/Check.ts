/**
 * One question to one candidate, answered with a verdict, what is left, where, and a sentence.
 */
import type { Vec3 } from '../geometry';
import type { Margin } from '../uncertainty';

/** The four words. Hold is for what no millimetre settles. */
export type Verdict = 'clears' | 'measure' | 'hits' | 'hold';

/** In the order in which a fitter would ask. */
export const CHECK_IDS = [
  'place',
  'staysFree',
  'figures',
  'hole',
  'bolts',
  'screws',
  'depth',
  'obstacles',
  'front',
  'cover',
  'liesFlat',
  'terminals',
  'wireWay',
  'connector',
  'chime',
  'airbag',
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

/**
 * Whose word a check is: that of the stack it was asked of; the same for every stack in the opening, and said once for all of
 * them; or one for when the part is there, which keeps nothing from being ordered and stays open until it is settled. Only the first is in the candidate's verdict. All three are
 * open as long as they do not clear.
 */
export const COUNTS_FOR = ['candidate', 'opening', 'arrival'] as const;
export type CountsFor = (typeof COUNTS_FOR)[number];

export type Check = {
  readonly id: CheckId;
  readonly verdict: Verdict;
  readonly countsFor: CountsFor;
  /** False where nobody has looked, or nobody can know yet: it is left to the fitter's eye. */
  readonly isJudged: boolean;
  /** null where the answer is no length, or a dimension is missing. */
  readonly margin: Margin | null;
  /** Where the margin is; null where it has no place in space. */
  readonly nearest: Nearest | null;
  /** Dimensions of the opening that must be taken before this can be judged. */
  readonly missing: readonly OpeningDimensionKey[];
  readonly sentence: string;
};

/** The best first. What cannot be undone comes last: a hit is worse than an open question. */
export const VERDICTS_BY_RANK = ['clears', 'measure', 'hold', 'hits'] as const satisfies readonly Verdict[];
/** The place of each in `VERDICTS_BY_RANK`. */
export const VERDICT_GRAVITY: Readonly<Record<Verdict, number>> = {
  clears: VERDICTS_BY_RANK.indexOf('clears'),
  measure: VERDICTS_BY_RANK.indexOf('measure'),
  hold: VERDICTS_BY_RANK.indexOf('hold'),
  hits: VERDICTS_BY_RANK.indexOf('hits'),
};

/** The graver of two verdicts. */
export function graver(a: Verdict, b: Verdict): Verdict {
  return VERDICT_GRAVITY[a] >= VERDICT_GRAVITY[b] ? a : b;
}
