/**
 * How many cases a property is tried with. In the tests a seeded share (`jest.fuzz.mjs` sets the seed); `npm run fuzz` multiplies it and begins
 * elsewhere each time.
 */
type World = { readonly process?: { readonly env: Readonly<Record<string, string | undefined>> } };

const FACTOR = Number((globalThis as World).process?.env.LQ_FUZZ_FACTOR ?? 1);

export function fuzzed(numRuns: number): { readonly numRuns: number } {
  return { numRuns: numRuns * FACTOR };
}
