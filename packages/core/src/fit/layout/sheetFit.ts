/**
 * What lies behind an opening, from any number of depth readings: z = c0 + c1·x + c2·y + c3·y².
 *
 * Weighted least squares with three kinds of rows: the readings, each as sure as the hand repeats it; for each instrument,
 * and each face that was read from, its error as an unknown that all its readings share; and the class's usual lean and curvature as readings of their
 * own. One reading at the door then gives a sheet of usual lean; a second one at another height settles the lean, one to
 * the side the side lean, several the curvature; nothing has to switch between cases.
 *
 * The usual figures only fill gaps: as soon as the readings settle a lean or a curvature by themselves, what is usual is
 * believed no more than it agrees with them. Where it plainly does not, the sheet is one of another kind than the class
 * says, or a reading met something else; that is a doubt to be asked about. So are readings that contradict each other
 * whatever the lean, and they widen what they say by the Birge ratio. A reading from below the glass's lower edge is none
 * of the glass: it takes no part in the sheet.
 *
 * @see JCGM 100:2008, H.3 (least squares), F.1.2.3 (common errors as quantities of their own); Birge, The Calculation of
 *   Errors by the Method of Least Squares, 1932, from memory
 */
import type { GlassSheet } from '../../geometry';
import { CONTRADICTION_CHI_SQUARE, EXACT_MM, IMPROBABLE_SIGMAS, invert } from '../../math';
import { type Dimension, type SharedError, wholeUncertaintyMm } from '../../uncertainty';
import type { DepthReading, FitOpening } from '../shapes';

/** What the sheet depends on: a named dimension with the change of c0 to c3 for each millimetre of it. */
export type SheetTerm = {
  readonly name: string;
  readonly dimension: Dimension;
  readonly gains: readonly [number, number, number, number];
};

/** What of the readings cannot be believed without asking. */
export type SheetDoubt =
  /** Readings from below the lower edge: the stick met what stands behind the glass. */
  | { readonly kind: 'belowEdge'; readonly keys: readonly string[] }
  /** The sheet that the readings give leans or bends as none of its class does. */
  | { readonly kind: 'unusual'; readonly what: UsualKey; readonly found: number; readonly usual: number }
  /** No sheet passes through the readings. */
  | { readonly kind: 'contradiction'; readonly misfitMm: number };

export type FittedSheet = {
  readonly sheet: GlassSheet;
  readonly terms: readonly SheetTerm[];
  /** How far the readings lie off the sheet, root mean square, mm. */
  readonly misfitMm: number;
  /** By how much their uncertainty was widened, at least 1. */
  readonly birgeRatio: number;
  readonly doubts: readonly SheetDoubt[];
};

const USUAL_KEYS = ['sideLean', 'lean', 'curvature'] as const;
type UsualKey = (typeof USUAL_KEYS)[number];

type Row = {
  readonly basis: readonly number[];
  readonly name: string;
  readonly dimension: Dimension;
  readonly target: number;
  readonly uncertaintyMm: number;
};

/** Heights are counted in this many mm inside, so that the equations stay well conditioned. */
const SCALE_MM = 100;
const SCALES = [1, SCALE_MM, SCALE_MM, SCALE_MM * SCALE_MM] as const;
const UNKNOWNS = 4;
/** What is usual counts for nothing at this doubt, mm at the scale of the equations. */
const UNKNOWN_MM = 100;

const known = new WeakMap<FitOpening, FittedSheet | null>();

/** The sheet behind an opening; null where nothing stands there or no depth of it has been read. */
export function sheetFit(opening: FitOpening): FittedSheet | null {
  let fitted = known.get(opening);
  if (fitted === undefined) {
    fitted = opening.behind === 'nothing' ? null : fit(opening);
    known.set(opening, fitted);
  }
  return fitted;
}

/** φ(x, y) of the sheet's equation, for use with its coefficients. */
export function sheetBasis(xMm: number, yMm: number): readonly [number, number, number, number] {
  return [1, xMm, yMm, yMm * yMm];
}

/** Depth readings from below the glass's lower edge, or so near to it that nobody can say. */
export function readingsBelowEdge({ behind, lowerEdge, depths }: FitOpening): readonly DepthReading[] {
  if (behind !== 'glass' || !lowerEdge) return [];
  const edgeMm = lowerEdge.valueMm + IMPROBABLE_SIGMAS * wholeUncertaintyMm(lowerEdge);
  return depths.filter(({ yMm }) => yMm < edgeMm);
}

function fit(opening: FitOpening): FittedSheet | null {
  const { depths, sheet: usual, lowerEdge } = opening;
  const below = readingsBelowEdge(opening);
  const readings = depths.filter((each) => !below.includes(each)).map(toRow);
  if (readings.length === 0) return null;
  const errors = sharedErrors(readings);
  const equations = new Equations(readings, errors, usual);
  const usualDoubts = USUAL_KEYS.map((key) => usual[key].uncertaintyMm);
  const doubts: SheetDoubt[] = below.length > 0 ? [{ kind: 'belowEdge', keys: below.map(({ key }) => key) }] : [];
  USUAL_KEYS.forEach((key, at) => {
    const { valueMm, uncertaintyMm } = usual[key];
    // Nothing is usual about what is known exactly, and nothing settled about what the readings leave open.
    if (uncertaintyMm === 0) return;
    const own = ownEstimate(equations, usualDoubts, at);
    if (own.uncertainty > SETTLED * uncertaintyMm) return;
    const off = Math.abs(own.value - valueMm);
    usualDoubts[at] = Math.max(uncertaintyMm, off);
    if (off > IMPROBABLE_SIGMAS * Math.hypot(own.uncertainty, uncertaintyMm))
      doubts.push({ kind: 'unusual', what: key, found: own.value, usual: valueMm });
  });
  const solved = equations.solve(usualDoubts);
  const residuals = readings.map((_, at) => solved.residual(at));
  const free = readings.length - rankOf(readings, errors);
  const chiSquare = residuals.reduce(
    (sum, each, at) => sum + (each / Math.max(EXACT_MM, (readings[at] as Row).uncertaintyMm)) ** 2,
    0,
  );
  const ratio = free > 0 ? chiSquare / free : 0;
  const misfitMm = Math.sqrt(residuals.reduce((sum, each) => sum + each * each, 0) / readings.length);
  if (ratio > CONTRADICTION_CHI_SQUARE) doubts.push({ kind: 'contradiction', misfitMm });
  // Another reading that lies on the sheet is the answer to whether it can be as it is.
  else if (free > 0) removeUnusual(doubts);
  const birgeRatio = Math.max(1, Math.sqrt(ratio));
  const [c0, c1, c2, c3] = solved.values;
  return {
    sheet: { c0, c1, c2, c3, lowerEdgeMm: lowerEdge?.valueMm ?? null },
    terms: [
      ...readings.map(({ name, dimension }, at) => ({
        name,
        dimension: { ...dimension, uncertaintyMm: dimension.uncertaintyMm * birgeRatio },
        gains: solved.readingGains(at),
      })),
      ...USUAL_KEYS.map((key, at) => ({
        name: `opening.${key}`,
        dimension: { ...usual[key], uncertaintyMm: usualDoubts[at] as number },
        gains: solved.usualGains(at),
      })),
    ],
    misfitMm,
    birgeRatio,
    doubts,
  };
}

function removeUnusual(doubts: SheetDoubt[]): void {
  for (let at = doubts.length - 1; at >= 0; at--) if (doubts[at]?.kind === 'unusual') doubts.splice(at, 1);
}

/** A figure for each of the coefficients c0 to c3. */
type OfEach = readonly [number, number, number, number];

/** What the readings say of a lean or curvature is settled when it is at most so many times as doubtful as what is usual. */
const SETTLED = 2;

function toRow({ key, xMm, yMm, depth }: DepthReading): Row {
  const x = xMm / SCALE_MM;
  const y = yMm / SCALE_MM;
  return {
    basis: [1, x, y, y * y],
    name: `opening.${key}`,
    dimension: depth,
    target: depth.valueMm,
    uncertaintyMm: depth.uncertaintyMm,
  };
}

/**
 * The equations of a fit at `SCALES`: a row for each reading; what is usual, and each error in common, is a row of one unknown, and so
 * stands on the diagonal alone.
 */
class Equations {
  readonly size: number;
  /** Row by row. */
  readonly basis: Float64Array;
  readonly weights: Float64Array;
  private readonly normal: Float64Array;

  constructor(
    readonly readings: readonly Row[],
    readonly errors: readonly SharedError[],
    readonly usual: FitOpening['sheet'],
  ) {
    const size = UNKNOWNS + errors.length;
    this.size = size;
    this.basis = new Float64Array(readings.length * size);
    this.weights = new Float64Array(readings.length);
    this.normal = new Float64Array(size * size);
    for (let at = 0; at < readings.length; at++) this.putRow(readings[at] as Row, at);
    for (let at = 0; at < errors.length; at++) {
      const { uncertaintyMm } = errors[at] as SharedError;
      this.addTo(UNKNOWNS + at, weightOf(uncertaintyMm));
    }
  }

  /** @param usualDoubts how far each usual figure is believed, in its own unit */
  solve(usualDoubts: readonly number[]): Solution {
    const weights = usualDoubts.map((doubt, at) => weightOf(doubt * (SCALES[at + 1] as number)));
    const covariance = this.normal.slice();
    for (let at = 0; at < weights.length; at++) {
      const unknown = at + 1;
      covariance[unknown * this.size + unknown] =
        (covariance[unknown * this.size + unknown] as number) + (weights[at] as number);
    }
    invert(covariance, this.size);
    return new Solution(this, covariance, weights);
  }

  private putRow({ basis, dimension, uncertaintyMm }: Row, at: number): void {
    const { size } = this;
    const row = this.basis.subarray(at * size, (at + 1) * size);
    row.set(basis);
    this.errors.forEach((error, each) => {
      row[UNKNOWNS + each] = shareOf(dimension, error);
    });
    const weight = weightOf(uncertaintyMm);
    this.weights[at] = weight;
    for (let i = 0; i < size; i++)
      for (let j = 0; j < size; j++)
        this.normal[i * size + j] =
          (this.normal[i * size + j] as number) + weight * (row[i] as number) * (row[j] as number);
  }

  private addTo(unknown: number, weight: number): void {
    const at = unknown * this.size + unknown;
    this.normal[at] = (this.normal[at] as number) + weight;
  }
}

class Solution {
  /** c0 to c3, each in its own unit. */
  readonly values: OfEach;

  constructor(
    private readonly equations: Equations,
    /** Row by row, at the scale of the equations. */
    private readonly covariance: Float64Array,
    private readonly usualWeights: readonly number[],
  ) {
    this.values = [this.value(0), this.value(1), this.value(2), this.value(3)];
  }

  /** The change of c0 to c3 for each millimetre of a reading. */
  readingGains(reading: number): OfEach {
    const of = (column: number) => this.readingGain(reading, column);
    return [of(0), of(1), of(2), of(3)];
  }

  /** The same for each unit of a usual figure. */
  usualGains(at: number): OfEach {
    const of = (column: number) => this.usualGain(at, column);
    return [of(0), of(1), of(2), of(3)];
  }

  readingGain(reading: number, column: number): number {
    const { basis, weights, size } = this.equations;
    let sum = 0;
    for (let each = 0; each < size; each++)
      sum += (this.covariance[column * size + each] as number) * (basis[reading * size + each] as number);
    return ((weights[reading] as number) * sum) / (SCALES[column] as number);
  }

  usualGain(at: number, column: number): number {
    const covariance = this.covariance[column * this.equations.size + at + 1] as number;
    const scaled = (this.usualWeights[at] as number) * covariance * (SCALES[at + 1] as number);
    return scaled / (SCALES[column] as number);
  }

  /** What a reading has over the sheet and its errors in common, mm. */
  residual(reading: number): number {
    const { basis, size, readings } = this.equations;
    let fitted = 0;
    for (let column = 0; column < size; column++)
      fitted += (basis[reading * size + column] as number) * this.value(column) * (SCALES[column] ?? 1);
    return (readings[reading] as Row).target - fitted;
  }

  /** Of an error in common it is in its own unit, mm. */
  private value(column: number): number {
    const { readings, usual, basis, weights, size } = this.equations;
    let sum = 0;
    for (let each = 0; each < size; each++) {
      const covariance = this.covariance[column * size + each] as number;
      for (let at = 0; at < readings.length; at++)
        sum +=
          covariance * (basis[at * size + each] as number) * (weights[at] as number) * (readings[at] as Row).target;
    }
    for (let at = 0; at < USUAL_KEYS.length; at++) {
      const target = usual[USUAL_KEYS[at] as UsualKey].valueMm * (SCALES[at + 1] as number);
      sum += (this.usualWeights[at] as number) * (this.covariance[column * size + at + 1] as number) * target;
    }
    return sum / (SCALES[column] ?? 1);
  }
}

/** What the readings say of one usual figure when it is left out, in its own unit. */
function ownEstimate(
  equations: Equations,
  usualDoubts: readonly number[],
  at: number,
): { readonly value: number; readonly uncertainty: number } {
  const open = usualDoubts.map((doubt, each) => (each === at ? UNKNOWN_MM / (SCALES[at + 1] as number) : doubt));
  const { readings, errors } = equations;
  const solved = equations.solve(open);
  const column = (at + 1) as 1 | 2 | 3;
  const gains = readings.map((_, reading) => solved.readingGain(reading, column));
  let variance = 0;
  for (let reading = 0; reading < gains.length; reading++)
    variance += ((gains[reading] as number) * (readings[reading] as Row).dimension.uncertaintyMm) ** 2;
  for (const error of errors) {
    const gain = gains.reduce(
      (sum, each, reading) => sum + each * shareOf((readings[reading] as Row).dimension, error),
      0,
    );
    variance += (gain * error.uncertaintyMm) ** 2;
  }
  for (let other = 0; other < open.length; other++)
    variance += (solved.usualGain(other, column) * (open[other] as number)) ** 2;
  return { value: solved.values[column], uncertainty: Math.sqrt(variance) };
}

/** Every error that readings have in common, once. */
function sharedErrors(readings: readonly Row[]): readonly SharedError[] {
  const all = readings.flatMap(({ dimension }) => dimension.shared ?? []);
  return all.filter(({ name }, at) => all.findIndex((each) => each.name === name) === at);
}

/** How many times an error enters a reading. */
function shareOf({ shared = [] }: Dimension, { name }: SharedError): number {
  return shared.find((each) => each.name === name)?.by ?? 0;
}

/** How many of lean, depth and curvature, and of the errors in common, the readings settle by themselves. */
function rankOf(readings: readonly Row[], errors: readonly SharedError[]): number {
  // An error that moves all readings alike cannot be told from the depth, and adds nothing here.
  const rows = readings.map(({ basis, dimension }) => [...basis, ...errors.map((error) => shareOf(dimension, error))]);
  let rank = 0;
  const columns = UNKNOWNS + errors.length;
  for (let column = 0; column < columns; column++) {
    const pivot = rows.findIndex((row, at) => at >= rank && Math.abs(row[column] as number) > 1e-9);
    if (pivot < 0) continue;
    [rows[rank], rows[pivot]] = [rows[pivot] as number[], rows[rank] as number[]];
    const top = rows[rank] as number[];
    for (let at = rank + 1; at < rows.length; at++) {
      const row = rows[at] as number[];
      const by = (row[column] as number) / (top[column] as number);
      for (let each = column; each < columns; each++) row[each] = (row[each] as number) - by * (top[each] as number);
    }
    rank++;
  }
  return rank;
}

function weightOf(uncertaintyMm: number): number {
  return 1 / Math.max(EXACT_MM, uncertaintyMm) ** 2;
}
