/**
 * Places that fill so many dimensions evenly, from 0 to 1, the same each time: by the powers of the root of x^(d+1) = x + 1.
 *
 * @see Roberts, The Unreasonable Effectiveness of Quasirandom Sequences, 2018 (from memory)
 */

function latticeSteps(dimensions: number): readonly number[] {
  let root = 1.5;
  for (let step = 0; step < 40; step++) root = (1 + root) ** (1 / (dimensions + 1));
  return Array.from({ length: dimensions }, (_, at) => root ** -(at + 1));
}

/** @returns so many places, each with a figure for every dimension */
export function latticePlaces(dimensions: number, count: number): readonly (readonly number[])[] {
  const steps = latticeSteps(dimensions);
  return Array.from({ length: count }, (_, at) => steps.map((step) => (0.5 + (at + 1) * step) % 1));
}
