/** Before each test file: where random cases begin, the same in every run of the tests and another in each of `npm run fuzz`. */
import fc from 'fast-check';

const { LQ_FUZZ_SEED = '20', LQ_FUZZ_FACTOR = '1' } = process.env;

fc.configureGlobal({ seed: Number(LQ_FUZZ_SEED), numRuns: 100 * Number(LQ_FUZZ_FACTOR) });
