/**
 * Which one measurement tells most. A measurement is a weighted sum of the opening's dimensions that is read with the
 * instrument's errors: the dimension itself, or the depth at a place where nobody has held a stick yet. What the
 * instrument is always off by cancels against readings that were taken with it before, and tells nothing new of them. For a
 * margin a reading explains the standard deviation r = cov(margin, reading) / √var(reading); after it the margin lies at
 * m + r·x, x standard normal, with the variance r² less. Over x the verdicts are counted: how many open candidates are
 * settled, one way or the other.
 *
 * @see Rasmussen & Williams, Gaussian Processes for Machine Learning, A.2 (conditioning a Gaussian), from memory
 */
import { normalQuantile } from '../../math';
import {
  coverageFactor,
  type Dimension,
  instrumentName,
  type Margin,
  marginVerdict,
  SHARED_SHARE,
  wholeUncertaintyMm,
} from '../../uncertainty';
import type { Check, Verdict } from '../Check';
import { graver } from '../Check';
import { mapOpening } from '../dimensionNames';
import { type Judgement, ownChecks } from '../Judgement';
import { sheetBasis, sheetFit } from '../layout/sheetFit';
import type { FitOpening } from '../shapes';

export type Instrument = 'calliper' | 'depthStick' | 'tapeMm';

/** A measurement that could be taken. */
export type Action = {
  /** The dimension's key, such as `frontGap` or `depthTop`. */
  readonly key: string;
  readonly instrument: Instrument;
  /**
   * What the reading is expected to be off by: the errors of what is believed of it now with minus, those of the reading
   * with plus, by name. Empty where nothing is known of the dimension yet.
   */
  readonly parts: readonly ReadingPart[];
};

type ReadingPart = { readonly name: string; readonly factor: number; readonly uncertaintyMm: number };

export type NextMeasurement = {
  readonly action: Action;
  /** Candidates that it is expected to settle, of those that are open. */
  readonly settled: number;
  /** Open checks that it is expected to settle. */
  readonly eased: number;
  readonly open: number;
};

export type RimPlace = { readonly key: string; readonly xMm: number; readonly yMm: number };

export type NextOptions = {
  /** Half-width of a reading with each instrument, mm. */
  readonly halfWidthsMm: Readonly<Record<Instrument, number>>;
  /** Places at the rim where a depth stick can be held. */
  readonly places: readonly RimPlace[];
  readonly confidence: number;
};

/** The outcomes over which a measurement is weighed: the middles of equal parts of the normal distribution. */
const OUTCOMES = Array.from({ length: 31 }, (_, at) => normalQuantile((at + 0.5) / 31));
/** What is known must be at least so much less sure than a hand repeats a reading for another one to tell anything. */
const LEAST_GAIN = 0.05;

/** Of a face that is made, what does not depend on the car. */
const MADE_KEYS = /^(hole|bore|made|frontGap|front\.free)/;

/** Everything that could be measured at the door and would tell something new. */
export function possibleActions(opening: FitOpening, options: NextOptions): readonly Action[] {
  const actions: Action[] = [];
  // What is made is as it is made: nothing of it can be measured before.
  if (opening.made?.housing.back === 'closed') return actions;
  mapOpening(opening, (name, dimension) => {
    const key = name.slice('opening.'.length);
    if (opening.made && MADE_KEYS.test(key)) return dimension;
    const instrument = instrumentFor(key);
    if (!instrument) return dimension;
    const parts = merged([...errorsOf(name, dimension, -1), ...readingErrors(instrument, options)]);
    const gainMm = wholeUncertaintyMm(dimension) / ownMm(instrument, options);
    if (gainMm > LEAST_GAIN) actions.push({ key: keyOf(key), instrument, parts });
    return dimension;
  });
  const fitted = sheetFit(opening);
  if (!fitted) return actions;
  const taken = new Set(opening.depths.map(({ key }) => key));
  for (const { key, xMm, yMm } of options.places) {
    if (taken.has(key)) continue;
    const basis = sheetBasis(xMm, yMm);
    const believed = fitted.terms.flatMap(({ name, dimension, gains }) =>
      errorsOf(name, dimension, -gains.reduce((sum, gain, at) => sum + gain * (basis[at] as number), 0)),
    );
    actions.push({
      key,
      instrument: 'depthStick',
      parts: merged([...believed, ...readingErrors('depthStick', options)]),
    });
  }
  return actions;
}

/** The place of an obstacle is one question, whichever way it may be off. */
function keyOf(key: string): string {
  return key.replace(/\.place[XY]$/, '.place');
}

/** The errors of a dimension, its own and those it shares. */
function errorsOf(name: string, { uncertaintyMm, shared = [] }: Dimension, factor: number): readonly ReadingPart[] {
  const common = shared.map((error) => ({ ...error, factor: factor * error.by }));
  return [{ name, factor, uncertaintyMm }, ...common];
}

/** A new reading repeats as its hand does, and is off by what the instrument is always off by. */
function readingErrors(instrument: Instrument, options: NextOptions): readonly ReadingPart[] {
  const shared = options.halfWidthsMm[instrument] * Math.sqrt(SHARED_SHARE / 3);
  return [
    { name: NEW_READING, factor: 1, uncertaintyMm: ownMm(instrument, options) },
    { name: instrumentName(instrument), factor: 1, uncertaintyMm: shared },
  ];
}

const NEW_READING = 'reading';

function ownMm(instrument: Instrument, { halfWidthsMm }: NextOptions): number {
  return halfWidthsMm[instrument] * Math.sqrt((1 - SHARED_SHARE) / 3);
}

function merged(parts: readonly ReadingPart[]): readonly ReadingPart[] {
  const byName = new Map<string, ReadingPart>();
  for (const part of parts) {
    const before = byName.get(part.name);
    byName.set(part.name, before ? { ...before, factor: before.factor + part.factor } : part);
  }
  return [...byName.values()];
}

/**
 * The measurement that settles most of the open candidates, with how many; the earlier of equals.
 *
 * @param judgements of candidates whose verdict is "measure first"
 * @returns all that settle at least half a candidate, best first
 */
export function nextMeasurements(
  opening: FitOpening,
  judgements: readonly Judgement[],
  options: NextOptions,
): readonly NextMeasurement[] {
  return bestFirst(judgements, possibleActions(opening, options), options);
}

/**
 * The same for one candidate, whose own parts can be measured too: when they come, or by asking their maker.
 */
export function candidateMeasurements(
  opening: FitOpening,
  judgement: Judgement,
  options: NextOptions,
): readonly NextMeasurement[] {
  return bestFirst([judgement], [...possibleActions(opening, options), ...partActions(judgement, options)], options);
}

/** What of the parts could be measured in the hand: every dimension of theirs that an open check depends on. */
function partActions({ checks }: Judgement, options: NextOptions): readonly Action[] {
  const found = new Map<string, Dimension>();
  for (const { margin, verdict } of checks) {
    if (verdict !== 'measure') continue;
    for (const { name, dimension } of margin?.terms ?? []) {
      if (/^(speaker|bracket2?|spacer2?)\./.test(name)) found.set(name, dimension);
    }
  }
  return [...found].map(([name, dimension]) => ({
    key: name,
    instrument: 'calliper',
    parts: merged([...errorsOf(name, dimension, -1), ...readingErrors('calliper', options)]),
  }));
}

function bestFirst(
  judgements: readonly Judgement[],
  actions: readonly Action[],
  options: NextOptions,
): readonly NextMeasurement[] {
  const open = judgements.filter(({ verdict }) => verdict === 'measure');
  const missing = [...new Set(open.flatMap(({ checks }) => checks.flatMap((check) => check.missing)))];
  const first = missing.flatMap((key): readonly Action[] => {
    const instrument = instrumentFor(key);
    return instrument ? [{ key, instrument, parts: [] }] : [];
  });
  const taken = new Set<string>(missing);
  const others = actions.filter(({ key }) => !taken.has(key));
  const seen = new Set<string>();
  return [...first, ...others]
    .map((action) => {
      const gains = open.map((judgement) => gainOf(judgement, action, options.confidence));
      const sum = (of: (gain: Gain) => number) => gains.reduce((total, gain) => total + of(gain), 0);
      return { action, open: open.length, settled: sum(({ settled }) => settled), eased: sum(({ eased }) => eased) };
    })
    .sort((a, b) => b.settled - a.settled || b.eased - a.eased)
    .filter(({ action: { key }, settled, eased }) => {
      // What is missing is asked for in any case, and where nothing settles a candidate by itself what settles a check.
      const isWorthIt = settled >= LEAST_SETTLED || taken.has(key) || (seen.size === 0 && eased > 0);
      if (seen.has(key) || !isWorthIt) return false;
      seen.add(key);
      return true;
    });
}

/** A measurement that settles less of a candidate than this is not worth a walk to the car, unless there is no better one. */
const LEAST_SETTLED = 0.5;

/** What a measurement does for a candidate: the chance that it settles it, and how many of its open checks it settles on average. */
type Gain = { readonly settled: number; readonly eased: number };

function gainOf(judgement: Judgement, action: Action, confidence: number): Gain {
  const checks = ownChecks(judgement);
  const spread = spreadOf(action);
  let settled = 0;
  let eased = 0;
  for (const x of OUTCOMES) {
    let gravest: Verdict = 'clears';
    for (const check of checks) {
      const verdict = after(check, action, spread, x, confidence);
      if (check.verdict === 'measure' && verdict !== 'measure') eased++;
      gravest = graver(gravest, verdict);
    }
    if (gravest !== 'measure') settled++;
  }
  return { settled: settled / OUTCOMES.length, eased: eased / OUTCOMES.length };
}

/** The verdicts after the measurement, one for each equally likely outcome. */
export function outcomesOf(judgement: Judgement, action: Action, confidence: number): readonly Verdict[] {
  const checks = ownChecks(judgement);
  const spread = spreadOf(action);
  return OUTCOMES.map((x) => checks.map((check) => after(check, action, spread, x, confidence)).reduce(graver));
}

/** How far a reading may lie off what is believed of it now, one standard deviation, mm. */
export function spreadOf({ parts }: Action): number {
  return Math.sqrt(parts.reduce((sum, { factor, uncertaintyMm }) => sum + (factor * uncertaintyMm) ** 2, 0));
}

function after(check: Check, action: Action, spread: number, x: number, confidence: number): Verdict {
  const { margin, verdict } = check;
  // Of what nobody has read nobody knows which way it will fall.
  if (!margin) return check.missing.some((key) => key === action.key) ? (x < 0 ? 'hits' : 'clears') : verdict;
  const explained = explainedMm(margin, action, spread);
  if (explained === 0) return verdict;
  const { valueMm, standardUncertaintyMm, degreesOfFreedom, rectangularShare, expandedMm, lowerMm } = margin;
  const left = Math.sqrt(Math.max(0, standardUncertaintyMm ** 2 - explained ** 2));
  // What other gaps as near as this one take away shrinks with the doubt.
  const skewMm = standardUncertaintyMm > 0 ? ((valueMm - expandedMm - lowerMm) * left) / standardUncertaintyMm : 0;
  return marginVerdict({
    valueMm: valueMm + explained * x - Math.max(0, skewMm),
    expandedMm: left * coverageFactor(confidence, degreesOfFreedom, rectangularShare),
  });
}

/** Standard deviation of a margin that the reading explains, with the sign of their correlation, mm. */
function explainedMm({ terms }: Margin, { parts }: Action, spread: number): number {
  const covariance = parts.reduce((sum, { name, factor, uncertaintyMm }) => {
    const sensitivity = terms.find((term) => term.name === name)?.sensitivity ?? 0;
    return sum + sensitivity * factor * uncertaintyMm ** 2;
  }, 0);
  return spread > 0 ? covariance / spread : 0;
}

/** What a dimension is measured with; null where nothing at the door measures it. */
function instrumentFor(key: string): Instrument | null {
  if (/^(hole|bolt|bore\.inside|proud\..+\.height)/.test(key)) return 'calliper';
  if (/^depth/.test(key) || /^front(Gap|\..+\.gap)$/.test(key) || /^(obstacle\..+|bore)\.depth$/.test(key))
    return 'depthStick';
  return key === 'lowerEdge' || /^((obstacle|proud)\..+\.place[XY]?|front\..+\.inside)$/.test(key) ? 'tapeMm' : null;
}
