/**
 * The sum of a rectangular and a normal variable, unit variance together: what a margin is like when one instrument's
 * limits make most of its doubt. A normal interval would be too wide there (1.96 u against 1.65 u for a rectangle alone),
 * and a shop would be sent to measure what is settled.
 *
 * The distribution function is exact: the mean of the normal integral over the rectangle, through ∫Φ = tΦ(t) + φ(t).
 *
 * @see JCGM 100:2008, G.1.5 and 4.3.7 (rectangular contributions and the coverage factor)
 */
import { normalCdf } from './normalCdf';

/** Below this share the rectangle is lost in the normal part, above its complement the normal part is. */
const NEGLIGIBLE = 1e-4;
const GRID = 64;
const HALVINGS = 60;

/**
 * P(X ≤ x) of X = √share · R + √(1 − share) · N with R rectangular and N normal, both of unit variance.
 *
 * @param share of the rectangle in the variance, 0 to 1
 */
export function rectangularNormalCdf(x: number, share: number): number {
  if (share < NEGLIGIBLE) return normalCdf(x);
  const half = Math.sqrt(3 * share);
  if (share > 1 - NEGLIGIBLE) return Math.min(1, Math.max(0, (x + half) / (2 * half)));
  const spread = Math.sqrt(1 - share);
  return ((integral((x + half) / spread) - integral((x - half) / spread)) * spread) / (2 * half);
}

function integral(t: number): number {
  return t * normalCdf(t) + Math.exp((-t * t) / 2) / Math.sqrt(2 * Math.PI);
}

const grids = new Map<number, Float64Array>();

/** The quantiles of a probability for shares from 0 to 1 in equal steps, for a loop that reads them in between. */
export function rectangularNormalGrid(probability: number): Float64Array {
  let grid = grids.get(probability);
  if (!grid) {
    grid = Float64Array.from({ length: GRID + 1 }, (_, at) => exactQuantile(probability, at / GRID));
    grids.set(probability, grid);
  }
  return grid;
}

/** The value of a grid at a share, straight between its neighbours. */
export function readGrid(grid: Float64Array, share: number): number {
  const place = Math.min(1, Math.max(0, share)) * GRID;
  const at = Math.min(GRID - 1, Math.floor(place));
  const below = grid[at] as number;
  return below + (place - at) * ((grid[at + 1] as number) - below);
}

/**
 * The value that X stays below with the given probability. Read off a grid of 65 shares, straight between them: within
 * 0.001 of the exact one.
 *
 * @param probability 0.5 to 1 exclusive
 */
export function rectangularNormalQuantile(probability: number, share: number): number {
  return readGrid(rectangularNormalGrid(probability), share);
}

function exactQuantile(probability: number, share: number): number {
  let low = 0;
  let high = 40;
  for (let step = 0; step < HALVINGS; step++) {
    const middle = (low + high) / 2;
    if (rectangularNormalCdf(middle, share) < probability) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
