/** Unit tests beside the code, and the server over HTTP against a real PostgreSQL (LQ_TEST_DATABASE_URL). */
import path from 'node:path';

// A place with summer time, wherever the tests run: two days of the year are no 24 hours.
process.env.TZ = 'Europe/Berlin';

const common = {
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  moduleFileExtensions: ['ts', 'tsx', 'js', 'mjs', 'json'],
  testEnvironment: path.resolve(import.meta.dirname, 'jest.environment.mjs'),
  setupFiles: [path.resolve(import.meta.dirname, 'jest.fuzz.mjs')],
  transform: {
    '^.+\\.tsx?$': [
      path.resolve(import.meta.dirname, 'jest.transform.mjs'),
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
          experimental: { keepImportAttributes: true },
        },
        module: { type: 'es6' },
      },
    ],
  },
};

export default {
  // A busy machine may be ten times slower, and what is tested is what happens, not how fast.
  testTimeout: process.env.LQ_FUZZ_FACTOR ? 3_600_000 : 120_000,
  // On two processors: what waits for the database or for a clock leaves room for a third.
  maxWorkers: 3,
  // What a worker has read it never lets go: grown to 2 GB it took four times as long for the same file (403 s for all of them, 349 with this).
  workerIdleMemoryLimit: '512MB',
  projects: [
    { ...common, displayName: 'core', rootDir: 'packages/core' },
    { ...common, displayName: 'web', rootDir: 'packages/web' },
    { ...common, displayName: 'server', rootDir: 'packages/server' },
  ],
};
