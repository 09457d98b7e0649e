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
import { CONTRADICTION_CHI_SQUARE, EXACT_MM, IMPROBABLE_SIGMAS, inverse } from '../../math';
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
  const usualDoubts = USUAL_KEYS.map((key) => usual[key].uncertaintyMm);
  const doubts: SheetDoubt[] = below.length > 0 ? [{ kind: 'belowEdge', keys: below.map(({ key }) => key) }] : [];
  USUAL_KEYS.forEach((key, at) => {
    const { valueMm, uncertaintyMm } = usual[key];
    // Nothing is usual about what is known exactly, and nothing settled about what the readings leave open.
    if (uncertaintyMm === 0) return;
    const own = ownEstimate(readings, errors, usual, usualDoubts, at);
    if (own.uncertainty > SETTLED * uncertaintyMm) return;
    const off = Math.abs(own.value - valueMm);
    usualDoubts[at] = Math.max(uncertaintyMm, off);
    if (off > IMPROBABLE_SIGMAS * Math.hypot(own.uncertainty, uncertaintyMm))
      doubts.push({ kind: 'unusual', what: key, found: own.value, usual: valueMm });
  });
  const solved = solve(readings, errors, usual, usualDoubts);
  const free = readings.length - rankOf(readings, errors);
  const chiSquare = solved.residuals.reduce(
    (sum, each, at) => sum + (each / Math.max(EXACT_MM, (readings[at] as Row).uncertaintyMm)) ** 2,
    0,
  );
  const ratio = free > 0 ? chiSquare / free : 0;
  const misfitMm = Math.sqrt(solved.residuals.reduce((sum, each) => sum + each * each, 0) / readings.length);
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
        gains: solved.gains[at] as OfEach,
      })),
      ...USUAL_KEYS.map((key, at) => ({
        name: `opening.${key}`,
        dimension: { ...usual[key], uncertaintyMm: usualDoubts[at] as number },
        gains: solved.usualGains[at] as OfEach,
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

type Solved = {
  readonly values: OfEach;
  /** Of each reading, and of each usual figure: the change of c0 to c3 for its own unit. */
  readonly gains: readonly OfEach[];
  readonly usualGains: readonly OfEach[];
  readonly residuals: readonly number[];
};

function solve(
  readings: readonly Row[],
  errors: readonly SharedError[],
  usual: FitOpening['sheet'],
  usualDoubts: readonly number[],
): Solved {
  const size = UNKNOWNS + errors.length;
  const rows: { basis: readonly number[]; target: number; weight: number }[] = readings.map(
    ({ basis, target, dimension, uncertaintyMm }) => ({
      basis: [...basis, ...errors.map((error) => shareOf(dimension, error))],
      target,
      weight: weightOf(uncertaintyMm),
    }),
  );
  USUAL_KEYS.forEach((key, at) => {
    const scale = SCALES[at + 1] as number;
    const weight = weightOf((usualDoubts[at] as number) * scale);
    rows.push({ basis: unitRow(size, at + 1), target: usual[key].valueMm * scale, weight });
  });
  errors.forEach(({ uncertaintyMm }, at) => {
    rows.push({ basis: unitRow(size, UNKNOWNS + at), target: 0, weight: weightOf(uncertaintyMm) });
  });
  const normal = Array.from({ length: size }, (_, i) =>
    Array.from({ length: size }, (__, j) =>
      rows.reduce((sum, { basis, weight }) => sum + weight * (basis[i] as number) * (basis[j] as number), 0),
    ),
  );
  const covariance = inverse(normal);
  const gains = rows.map(({ basis, weight }) => covariance.map((line) => weight * dot(line, basis)));
  const values = covariance.map((_, column) =>
    rows.reduce((sum, { target }, at) => sum + (gains[at]?.[column] as number) * target, 0),
  );
  const inUnits = (line: readonly number[], by: number): OfEach => {
    const of = (column: number) => ((line[column] as number) / (SCALES[column] as number)) * by;
    return [of(0), of(1), of(2), of(3)];
  };
  return {
    values: inUnits(values, 1),
    gains: gains.slice(0, readings.length).map((line) => inUnits(line, 1)),
    usualGains: USUAL_KEYS.map((_, at) => inUnits(gains[readings.length + at] as number[], SCALES[at + 1] as number)),
    residuals: readings.map(({ target }, at) => target - dot((rows[at] as { basis: readonly number[] }).basis, values)),
  };
}

/** What the readings say of one usual figure when it is left out, in its own unit. */
function ownEstimate(
  readings: readonly Row[],
  errors: readonly SharedError[],
  usual: FitOpening['sheet'],
  usualDoubts: readonly number[],
  at: number,
): { readonly value: number; readonly uncertainty: number } {
  const open = usualDoubts.map((doubt, each) => (each === at ? UNKNOWN_MM / (SCALES[at + 1] as number) : doubt));
  const { values, gains, usualGains } = solve(readings, errors, usual, open);
  const column = at + 1;
  let variance = 0;
  readings.forEach(({ dimension }, reading) => {
    const gain = gains[reading]?.[column] as number;
    variance += (gain * dimension.uncertaintyMm) ** 2;
  });
  for (const error of errors) {
    const gain = readings.reduce(
      (sum, { dimension }, reading) => sum + (gains[reading]?.[column] as number) * shareOf(dimension, error),
      0,
    );
    variance += (gain * error.uncertaintyMm) ** 2;
  }
  usualGains.forEach((each, other) => {
    variance += ((each[column] as number) * (open[other] as number)) ** 2;
  });
  return { value: values[column] as number, uncertainty: Math.sqrt(variance) };
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

function unitRow(size: number, at: number): readonly number[] {
  return Array.from({ length: size }, (_, each) => (each === at ? 1 : 0));
}

function dot(a: readonly number[], b: readonly number[]): number {
  return a.reduce((sum, each, index) => sum + each * (b[index] ?? 0), 0);
}
