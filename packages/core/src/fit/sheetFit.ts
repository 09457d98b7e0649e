/**
 * What lies behind an opening, from any number of depth readings: z = c0 + c1·x + c2·y + c3·y².
 *
 * Weighted least squares in which the class's usual lean and curvature take part as readings of their own, each with its
 * wide uncertainty. One reading at the door then gives a sheet of usual lean; a second one at another height settles the
 * lean, one to the side the side lean, several the curvature; nothing has to switch between cases. Every coefficient
 * stays a sum of named dimensions, so what a reading is worth at the place that matters is one of its terms.
 *
 * Readings that contradict each other (five or more, scattering wider than their instruments allow) widen what they say
 * by the Birge ratio.
 *
 * @see JCGM 100:2008, H.3 (least squares); Birge, The Calculation of Errors by the Method of Least Squares, 1932, from memory
 */
import type { GlassSheet } from '../geometry/glassSheet';
import type { Dimension } from '../uncertainty/Dimension';
import { named, type Quantity, quantity } from '../uncertainty/Quantity';
import type { FitOpening } from './shapes';

export type FittedSheet = {
  readonly sheet: GlassSheet;
  /** c0 to c3 in the units of `GlassSheet`, with what they depend on. */
  readonly coefficients: readonly [Quantity, Quantity, Quantity, Quantity];
  /** How far the readings lie off the sheet, root mean square, mm. */
  readonly misfitMm: number;
  /** By how much their uncertainty was widened, at least 1. */
  readonly birgeRatio: number;
};

type Row = {
  readonly basis: readonly number[];
  readonly name: string;
  readonly dimension: Dimension;
  readonly target: number;
};

/** Heights are counted in this many mm inside, so that the equations stay well conditioned. */
const SCALE_MM = 100;
const SCALES = [1, SCALE_MM, SCALE_MM, SCALE_MM * SCALE_MM] as const;
/** An exactly known dimension would have endless weight; this stands for it, mm. */
const EXACT_MM = 1e-5;
const READINGS_THAT_CAN_CONTRADICT = 5;
const LEAST_LEAN = 1e-9;

const known = new WeakMap<FitOpening, FittedSheet | null>();

/** The sheet behind an opening; null where nothing stands there or no depth has been read. */
export function sheetFit(opening: FitOpening): FittedSheet | null {
  let fitted = known.get(opening);
  if (fitted === undefined) {
    fitted = opening.behind === 'nothing' || opening.depths.length === 0 ? null : fit(opening);
    known.set(opening, fitted);
  }
  return fitted;
}

/** φ(x, y) of the sheet's equation, for use with its coefficients. */
export function sheetBasis(xMm: number, yMm: number): readonly [number, number, number, number] {
  return [1, xMm, yMm, yMm * yMm];
}

function fit({ depths, sheet: { sideLean, lean, curvature }, lowerEdge }: FitOpening): FittedSheet {
  const readings = depths.map(({ key, xMm, yMm, depth }): Row => {
    const x = xMm / SCALE_MM;
    const y = yMm / SCALE_MM;
    return { basis: [1, x, y, y * y], name: `opening.${key}`, dimension: depth, target: depth.valueMm };
  });
  const usual = [sideLean, lean, curvature].map((dimension, index): Row => {
    const scale = SCALES[index + 1] ?? 1;
    const basis = [0, 1, 2, 3].map((column) => (column === index + 1 ? 1 : 0));
    const inScale = { ...dimension, uncertaintyMm: dimension.uncertaintyMm * scale };
    const name = `opening.${['sideLean', 'lean', 'curvature'][index]}`;
    return { basis, name, dimension: inScale, target: dimension.valueMm * scale };
  });
  const rows = [...readings, ...usual];
  const weights = rows.map(({ dimension }) => 1 / Math.max(EXACT_MM, dimension.uncertaintyMm) ** 2);
  const covariance = inverse4(normalMatrix(rows, weights));
  const gains = rows.map(({ basis }, index) =>
    covariance.map((line) => (weights[index] as number) * dotN(line, basis)),
  );
  const solved = [0, 1, 2, 3].map((column) =>
    rows.reduce((sum, { target }, index) => sum + (gains[index]?.[column] ?? 0) * target, 0),
  );
  const residuals = readings.map(({ basis, target }) => target - dotN(basis, solved));
  const birgeRatio = birge(residuals, weights);
  const coefficients = [0, 1, 2, 3].map((column): Quantity => {
    const scale = SCALES[column] ?? 1;
    const terms = rows.map(({ name, dimension }, index) => {
      const isUsual = index >= readings.length;
      const original = isUsual ? ([sideLean, lean, curvature][index - readings.length] as Dimension) : dimension;
      const sensitivity =
        ((gains[index]?.[column] ?? 0) / scale) * (isUsual ? (SCALES[index - readings.length + 1] ?? 1) : 1);
      return { name, dimension: widened(original, birgeRatio), sensitivity };
    });
    return quantity((solved[column] ?? 0) / scale, terms);
  }) as [Quantity, Quantity, Quantity, Quantity];
  const [c0, c1, c2, c3] = coefficients.map(({ valueMm }) => valueMm) as [number, number, number, number];
  // A sheet that stands parallel by its best estimate, but may lean: whichever way it leans a rim comes nearer, so the
  // rim counts, not the middle. A lean too small to measure says so to the kernels.
  const mayLean = Math.abs(c1) + Math.abs(c2) < LEAST_LEAN && (sideLean.uncertaintyMm > 0 || lean.uncertaintyMm > 0);
  return {
    sheet: { c0, c1, c2: mayLean ? -LEAST_LEAN : c2, c3, lowerEdgeMm: lowerEdge?.valueMm ?? null },
    coefficients,
    misfitMm: Math.sqrt(residuals.reduce((sum, each) => sum + each * each, 0) / residuals.length),
    birgeRatio,
  };
}

function widened(dimension: Dimension, ratio: number): Dimension {
  return ratio === 1 ? dimension : { ...dimension, uncertaintyMm: dimension.uncertaintyMm * ratio };
}

function birge(residuals: readonly number[], weights: readonly number[]): number {
  if (residuals.length < READINGS_THAT_CAN_CONTRADICT) return 1;
  const chiSquare = residuals.reduce((sum, each, index) => sum + (weights[index] ?? 0) * each * each, 0);
  return Math.max(1, Math.sqrt(chiSquare / (residuals.length - 4)));
}

function normalMatrix(rows: readonly Row[], weights: readonly number[]): number[][] {
  return [0, 1, 2, 3].map((i) =>
    [0, 1, 2, 3].map((j) =>
      rows.reduce((sum, { basis }, index) => sum + (weights[index] ?? 0) * (basis[i] ?? 0) * (basis[j] ?? 0), 0),
    ),
  );
}

function dotN(a: readonly number[], b: readonly number[]): number {
  return a.reduce((sum, each, index) => sum + each * (b[index] ?? 0), 0);
}

/** Gauss–Jordan with row pivoting; a usual lean or curvature without doubt keeps the matrix regular. */
function inverse4(matrix: readonly (readonly number[])[]): number[][] {
  const size = matrix.length;
  const rows = matrix.map((line, i) => [...line, ...line.map((_, j) => (i === j ? 1 : 0))]);
  for (let column = 0; column < size; column++) {
    let pivot = column;
    for (let row = column + 1; row < size; row++) {
      if (Math.abs(rows[row]?.[column] ?? 0) > Math.abs(rows[pivot]?.[column] ?? 0)) pivot = row;
    }
    const swap = rows[pivot] as number[];
    rows[pivot] = rows[column] as number[];
    rows[column] = swap;
    const by = swap[column] as number;
    for (let at = 0; at < 2 * size; at++) swap[at] = (swap[at] as number) / by;
    rows.forEach((row, index) => {
      const factor = row[column] as number;
      if (index === column || factor === 0) return;
      for (let at = 0; at < 2 * size; at++) row[at] = (row[at] as number) - factor * (swap[at] as number);
    });
  }
  return rows.map((row) => row.slice(size));
}

/** The sheet's lower edge as a quantity; null for the whole sheet. */
export function lowerEdgeQuantity({ lowerEdge }: FitOpening): Quantity | null {
  return lowerEdge && named('opening.lowerEdge', lowerEdge);
}
