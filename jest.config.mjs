/** Unit tests beside the code, and the server over HTTP against a real PostgreSQL (LQ_TEST_DATABASE_URL). */
import path from 'node:path';

// A place with summer time, wherever the tests run: two days of the year are no 24 hours.
process.env.TZ = 'Europe/Berlin';

const common = {
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  moduleFileExtensions: ['ts', 'tsx', 'js', 'mjs', 'json'],
  testEnvironment: path.resolve(import.meta.dirname, 'jest.environment.mjs'),
  setupFiles: [path.resolve(import.meta.dirname, 'jest.fuzz.mjs')],
  // All but Jest itself.
  transformIgnorePatterns: ['/node_modules/(@jest/|jest|expect)'],
  transform: {
    '/node_modules/': path.resolve(import.meta.dirname, 'jest.packages.mjs'),
    '^.+\\.tsx?$': [
      '@swc/jest',
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
  // On two processors: what waits for the database or for a clock leaves room for two more.
  maxWorkers: 4,
  // A worker that ends takes with it what it has read and compiled: 374 s for all of them, 434 with three of at most 512 MB.
  workerIdleMemoryLimit: '1GB',
  projects: [
    { ...common, displayName: 'core', rootDir: 'packages/core' },
    { ...common, displayName: 'web', rootDir: 'packages/web' },
    { ...common, displayName: 'server', rootDir: 'packages/server' },
  ],
};
