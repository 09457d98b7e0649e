/**
 * How many cases a property is tried with. In the tests a seeded share (`jest.fuzz.mjs` sets the seed); `npm run fuzz` multiplies it and begins
 * elsewhere each time.
 */
type World = { readonly process?: { readonly env: Readonly<Record<string, string | undefined>> } };

const env = (globalThis as World).process?.env;
const FACTOR = Number(env?.LQ_FUZZ_FACTOR ?? 1);
const SEED = Number(env?.LQ_FUZZ_SEED ?? 0);

export function fuzzed(numRuns: number): { readonly numRuns: number } {
  return { numRuns: numRuns * FACTOR };
}

/** Where random cases of a test's own begin: with its seed in the tests, elsewhere in `npm run fuzz`. */
export function fuzzedFrom(seed: number): number {
  return seed + SEED;
}
