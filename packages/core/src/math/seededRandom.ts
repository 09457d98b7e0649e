/**
 * Numbers that look random and are the same for the same seed: tests, simulations and quasi-random shifts must repeat.
 *
 * mulberry32, a 32-bit generator with a period of 2³²: enough for shapes and shifts, not for secrets.
 *
 * @returns a function that gives numbers from 0 (inclusive) to 1 (exclusive)
 */
export function seededRandom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}
