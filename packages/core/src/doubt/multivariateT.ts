/**
 * Where the values of several classes lie and how they go together, fitted so that a few wrong ones do not matter: class means with one
 * common scatter matrix under a multivariate t distribution, by expectation and maximisation, values that are missing included.
 *
 * Source: K. L. Lange, R. J. A. Little, J. M. G. Taylor, "Robust statistical modeling using the t distribution", Journal of the American
 * Statistical Association 84 (1989), 881–896, sections 2 and 4 (from memory).
 */
import { inverse, lnGamma, median } from '../math';

export type Observation = {
  readonly classAt: number;
  /** One a dimension; NaN where it is missing. */
  readonly values: Float64Array;
};

export type TModel = {
  /** One mean a class, as long as it has dimensions. */
  readonly means: readonly Float64Array[];
  readonly scatter: readonly (readonly number[])[];
  /** Degrees of freedom: the smaller, the heavier the tails. */
  readonly df: number;
};

type Given = {
  readonly classes: number;
  readonly dimensions: number;
  /** Added to the variance of each dimension: what rounding and habit alone leave. */
  readonly floors: readonly number[];
};

/** Tails that are tried; the likeliest is taken. */
const DFS = [4, 8, 16, 32] as const;
const ROUNDS = 12;
const FURTHER_ROUNDS = 3;
/** Of the standard deviation, for a median of absolute deviations under a normal distribution. */
const MAD_TO_SD = 1.4826;

/** @param observations at least one of each class */
export function fitT(observations: readonly Observation[], given: Given): TModel {
  const rounds = (from: TModel, count: number) => {
    let model = from;
    for (let round = 0; round < count; round++) model = improved(model, observations, given);
    return model;
  };
  const first = rounds({ ...startOf(observations, given), df: DFS[0] }, ROUNDS);
  const fits = DFS.map((df) => {
    // Where the values lie moves little with the tails.
    const model = rounds({ ...first, df }, FURTHER_ROUNDS);
    return { model, likelihood: logLikelihood(model, observations) };
  });
  return fits.reduce((best, each) => (each.likelihood > best.likelihood ? each : best)).model;
}

/** What of an observation is there, and what follows for it from the scatter matrix. */
export class Seen {
  private readonly kept = new Map<number, Block>();

  constructor(private readonly model: TModel) {}

  block(values: Float64Array): Block {
    let pattern = 0;
    for (let at = 0; at < values.length; at++) if (!Number.isNaN(values[at])) pattern |= 1 << at;
    let block = this.kept.get(pattern);
    if (!block) {
      const there = Array.from(values.keys()).filter((at) => pattern & (1 << at));
      const part = there.map((row) => there.map((column) => this.model.scatter[row]?.[column] as number));
      block = { there, inverse: inverse(part), logDeterminant: logDeterminant(part) };
      this.kept.set(pattern, block);
    }
    return block;
  }

  /** What is there, less its class mean. */
  residual({ classAt, values }: Observation, { there }: Block): Float64Array {
    const mean = this.model.means[classAt] as Float64Array;
    return Float64Array.from(there, (at) => (values[at] as number) - (mean[at] as number));
  }
}

type Block = {
  /** The dimensions that are there. */
  readonly there: readonly number[];
  /** Of their part of the scatter matrix. */
  readonly inverse: readonly (readonly number[])[];
  readonly logDeterminant: number;
};

/** Squared distance of a residual by an inverse scatter matrix. */
export function squaredDistance(residual: Float64Array, by: readonly (readonly number[])[]): number {
  let sum = 0;
  for (let row = 0; row < residual.length; row++) {
    const line = by[row] as readonly number[];
    let own = 0;
    for (let column = 0; column < residual.length; column++)
      own += (line[column] as number) * (residual[column] as number);
    sum += own * (residual[row] as number);
  }
  return sum;
}

function startOf(observations: readonly Observation[], { classes, dimensions, floors }: Given): Omit<TModel, 'df'> {
  const medians = Array.from({ length: dimensions }, (_, at) =>
    median(observations.map(({ values }) => values[at] ?? 0)),
  );
  const means = Array.from({ length: classes }, (_, classAt) => {
    const own = observations.filter((each) => each.classAt === classAt);
    return Float64Array.from({ length: dimensions }, (_, at) => {
      const middle = median(own.map(({ values }) => values[at] as number));
      return Number.isNaN(middle) ? (medians[at] as number) : middle;
    });
  });
  const scatter = Array.from({ length: dimensions }, (_, at) => {
    const off = observations.map(({ classAt, values }) =>
      Math.abs((values[at] as number) - (means[classAt]?.[at] ?? 0)),
    );
    const spread = MAD_TO_SD * median(off) || 0;
    return Array.from({ length: dimensions }, (_, other) => (other === at ? spread * spread + (floors[at] ?? 0) : 0));
  });
  return { means, scatter };
}

/** One round of expectation and maximisation. */
function improved(model: TModel, observations: readonly Observation[], { classes, dimensions, floors }: Given): TModel {
  const seen = new Seen(model);
  const sums = Array.from({ length: classes }, () => new Float64Array(dimensions));
  const weights = new Float64Array(classes);
  const filled = observations.map((observation) => {
    const block = seen.block(observation.values);
    const residual = seen.residual(observation, block);
    const weight = (model.df + residual.length) / (model.df + squaredDistance(residual, block.inverse));
    const values = fillIn(observation, residual, block, model);
    const { classAt } = observation;
    weights[classAt] = (weights[classAt] as number) + weight;
    const sum = sums[classAt] as Float64Array;
    for (let at = 0; at < dimensions; at++) sum[at] = (sum[at] as number) + weight * (values[at] as number);
    return { values, weight, block };
  });
  const means = sums.map((sum, classAt) => sum.map((each) => each / (weights[classAt] as number)));
  const scatter = Array.from({ length: dimensions }, () => new Float64Array(dimensions));
  const unseen = new Map<Block, number>();
  for (const [index, { values, weight, block }] of filled.entries()) {
    const mean = means[observations[index]?.classAt as number] as Float64Array;
    for (let row = 0; row < dimensions; row++) {
      const off = weight * ((values[row] as number) - (mean[row] as number));
      const line = scatter[row] as Float64Array;
      for (let column = 0; column < dimensions; column++)
        line[column] = (line[column] as number) + off * ((values[column] as number) - (mean[column] as number));
    }
    unseen.set(block, (unseen.get(block) ?? 0) + 1);
  }
  for (const [block, count] of unseen) addUnseen(scatter, block, count, model.scatter);
  const total = observations.length;
  return {
    df: model.df,
    means,
    scatter: scatter.map((line, row) =>
      Array.from(line, (sum, column) => sum / total + (row === column ? (floors[row] ?? 0) : 0)),
    ),
  };
}

/** The observation with what is to be expected in the place of what is missing. */
function fillIn(
  { classAt, values }: Observation,
  residual: Float64Array,
  { there, inverse: by }: Block,
  { means, scatter }: TModel,
): Float64Array {
  if (there.length === values.length) return values;
  const mean = means[classAt] as Float64Array;
  const pulled = by.map((line) => line.reduce((sum, each, at) => sum + each * (residual[at] as number), 0));
  return values.map((value, at) =>
    Number.isNaN(value)
      ? there.reduce(
          (sum, seenAt, index) => sum + (scatter[at]?.[seenAt] ?? 0) * (pulled[index] as number),
          mean[at] as number,
        )
      : value,
  );
}

/** What is not known of the missing values though the others are. */
function addUnseen(
  into: readonly Float64Array[],
  { there, inverse: by }: Block,
  count: number,
  scatter: TModel['scatter'],
): void {
  const missing = into.map((_, at) => at).filter((at) => !there.includes(at));
  for (const row of missing)
    for (const column of missing) {
      let explained = 0;
      for (const [i, a] of there.entries())
        for (const [j, b] of there.entries())
          explained += (scatter[row]?.[a] ?? 0) * (by[i]?.[j] ?? 0) * (scatter[b]?.[column] ?? 0);
      const line = into[row] as Float64Array;
      line[column] = (line[column] as number) + count * ((scatter[row]?.[column] ?? 0) - explained);
    }
}

/** Up to what does not depend on the model. */
function logLikelihood(model: TModel, observations: readonly Observation[]): number {
  const seen = new Seen(model);
  const { df } = model;
  let sum = 0;
  for (const observation of observations) {
    const block = seen.block(observation.values);
    const residual = seen.residual(observation, block);
    const size = residual.length;
    sum +=
      lnGamma((df + size) / 2) -
      lnGamma(df / 2) -
      (size / 2) * Math.log(df) -
      block.logDeterminant / 2 -
      ((df + size) / 2) * Math.log1p(squaredDistance(residual, block.inverse) / df);
  }
  return sum;
}

/** Of a symmetric positive definite matrix, by Cholesky's factor. */
function logDeterminant(matrix: readonly (readonly number[])[]): number {
  const factor: number[][] = [];
  let sum = 0;
  for (let row = 0; row < matrix.length; row++) {
    const line: number[] = [];
    for (let column = 0; column <= row; column++) {
      let rest = matrix[row]?.[column] as number;
      for (let at = 0; at < column; at++)
        rest -= (line[at] as number) * ((row === column ? line : factor[column])?.[at] as number);
      line.push(row === column ? Math.sqrt(rest) : rest / (factor[column]?.[column] as number));
    }
    factor.push(line);
    sum += 2 * Math.log(line[row] as number);
  }
  return sum;
}
