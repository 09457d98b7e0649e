/**
 * Which one measurement tells most. A measurement is a weighted sum of the opening's dimensions that is read with the
 * instrument's uncertainty: the dimension itself, or the depth at a place where nobody has held a stick yet. For a margin
 * it explains the standard deviation r = cov(margin, reading) / √(var(reading) + u²); after it the margin lies at m + r·x,
 * x standard normal, with the variance r² less. Over x the verdicts are counted: how many open candidates are settled,
 * one way or the other.
 *
 * @see Rasmussen & Williams, Gaussian Processes for Machine Learning, A.2 (conditioning a Gaussian), from memory
 */
import { normalQuantile } from '../math/normalQuantile';
import { coverageFactor, type Margin, marginVerdict } from '../uncertainty/Margin';
import type { Check, Verdict } from './Check';
import { graver } from './Check';
import { mapOpening } from './dimensionNames';
import type { Judgement } from './judgeCandidate';
import type { FitOpening } from './shapes';
import { sheetBasis, sheetFit } from './sheetFit';

export type Instrument = 'calliper' | 'depthStick' | 'tapeMm';

/** A measurement that could be taken. */
export type Action = {
  /** The dimension's key, such as `frontGap` or `depthTop`. */
  readonly key: string;
  readonly instrument: Instrument;
  /** Standard uncertainty of a reading, mm. */
  readonly readingMm: number;
  /** The reading as a sum of named dimensions: name, factor, standard uncertainty of the dimension. */
  readonly parts: readonly { readonly name: string; readonly factor: number; readonly uncertaintyMm: number }[];
};

export type NextMeasurement = {
  readonly action: Action;
  /** Candidates that it is expected to settle, of those that are open. */
  readonly settled: number;
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
/** What an instrument can add to what is known must be at least this part of its variance. */
const LEAST_GAIN = 0.05;

/** Everything that could be measured at the door and would tell something new. */
export function possibleActions(opening: FitOpening, { halfWidthsMm, places }: NextOptions): readonly Action[] {
  const actions: Action[] = [];
  mapOpening(opening, (name, dimension) => {
    const key = name.slice('opening.'.length);
    const instrument = instrumentFor(key);
    if (!instrument) return dimension;
    const readingMm = halfWidthsMm[instrument] / Math.sqrt(3);
    const { uncertaintyMm } = dimension;
    // Reading again with what it was read with does not shrink what the instrument itself is off by.
    const isNew = dimension.origin !== 'takenHere' || uncertaintyMm > readingMm * (1 + LEAST_GAIN);
    if (isNew && uncertaintyMm > readingMm * LEAST_GAIN)
      actions.push({ key, instrument, readingMm, parts: [{ name, factor: 1, uncertaintyMm }] });
    return dimension;
  });
  const fitted = sheetFit(opening);
  if (!fitted) return actions;
  const taken = new Set(opening.depths.map(({ key }) => key));
  for (const { key, xMm, yMm } of places) {
    if (taken.has(key)) continue;
    const basis = sheetBasis(xMm, yMm);
    const [first] = fitted.coefficients;
    const parts = first.terms.map(({ name, dimension }) => ({
      name,
      uncertaintyMm: dimension.uncertaintyMm,
      factor: fitted.coefficients.reduce(
        (sum, coefficient, at) =>
          sum + (basis[at] ?? 0) * (coefficient.terms.find((term) => term.name === name)?.sensitivity ?? 0),
        0,
      ),
    }));
    actions.push({ key, instrument: 'depthStick', readingMm: halfWidthsMm.depthStick / Math.sqrt(3), parts });
  }
  return actions;
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
  const open = judgements.filter(({ verdict }) => verdict === 'measure');
  return possibleActions(opening, options)
    .map((action) => ({
      action,
      open: open.length,
      settled: open.reduce((sum, judgement) => sum + settledShare(judgement, action, options.confidence), 0),
    }))
    .filter(({ settled }) => settled >= 0.5)
    .sort((a, b) => b.settled - a.settled);
}

/** The chance that a measurement turns an open candidate into one that clears, hits, or is held for another reason. */
export function settledShare(judgement: Judgement, action: Action, confidence: number): number {
  const outcomes = outcomesOf(judgement, action, confidence);
  return outcomes.filter((verdict) => verdict !== 'measure').length / outcomes.length;
}

/** The verdicts after the measurement, one for each equally likely outcome. */
export function outcomesOf({ checks }: Judgement, action: Action, confidence: number): readonly Verdict[] {
  const spread = Math.sqrt(
    action.readingMm ** 2 +
      action.parts.reduce((sum, { factor, uncertaintyMm }) => sum + (factor * uncertaintyMm) ** 2, 0),
  );
  return OUTCOMES.map((x) => checks.map((check) => after(check, action, spread, x, confidence)).reduce(graver));
}

function after(check: Check, action: Action, spread: number, x: number, confidence: number): Verdict {
  const { margin, verdict } = check;
  if (!margin) return check.missing.includes(action.key as never) ? 'clears' : verdict;
  const explained = explainedMm(margin, action, spread);
  if (explained === 0) return verdict;
  const left = Math.sqrt(Math.max(0, margin.standardUncertaintyMm ** 2 - explained ** 2));
  return marginVerdict({
    valueMm: margin.valueMm + explained * x,
    expandedMm: left * coverageFactor(confidence, margin.degreesOfFreedom, margin.rectangularShare),
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
  if (/^(hole|bolt)/.test(key)) return 'calliper';
  if (/^depth/.test(key) || key === 'frontGap' || /^obstacle\..+\.depth$/.test(key)) return 'depthStick';
  return key === 'lowerEdge' || /^obstacle\..+\.place$/.test(key) ? 'tapeMm' : null;
}
