/**
 * npm test: everything, on a throw-away database. Types, lint and import rules; unit and server tests; the build; the
 * browser tests. Installs PostgreSQL and Chromium when they are absent. `npm test -- unit` or `-- e2e` runs a part,
 * and further words go to the test runner.
 */
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { ensureChromium, ensurePackages } from './lib/install.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { DEMO_DIR, ROOT, runMain, SERVER_MAIN, say, WEB_DIST } from './lib/project.mjs';
import { run } from './lib/run.mjs';

const [part = 'all', ...rest] = process.argv.slice(2);
const wants = (name) => part === 'all' || part === name;

await runMain(async () => {
  await ensurePackages();
  if (wants('check')) {
    const code = await run(process.execPath, ['scripts/check.mjs']);
    if (code !== 0) return code;
  }
  if (!wants('unit') && !wants('e2e')) return 0;

  const dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-test-'));
  chmodSync(dir, 0o755);
  const cluster = await startPostgres({ dir, durable: false });
  const env = {
    ...process.env,
    LQ_TEST_DATABASE_URL: cluster.adminUrl('postgres'),
    LQ_TEST_OWNER_URL: cluster.ownerUrl('postgres'),
    LQ_TEST_APP_URL: cluster.appUrl('postgres'),
    LQ_PG_BIN: cluster.binDir,
    LQ_DEMO_DIR: DEMO_DIR,
    LQ_WEB_DIR: WEB_DIST,
    LQ_SERVER_MAIN: SERVER_MAIN,
    LQ_TEST_RESULTS: dir,
  };
  // Ctrl-C ends the test runners by itself, being sent to all of them; the database is ended here.
  for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, () => void cluster.stop());
  try {
    const counts = [];
    let failed = 0;
    if (wants('unit')) {
      failed += await runUnit(env, dir);
      counts.push(jestCounts(path.join(dir, 'jest.json')));
    }
    if (wants('e2e') && failed === 0) {
      await ensureBuild();
      const chromium = await ensureChromium();
      failed += await run(
        path.join(ROOT, 'node_modules/.bin/playwright'),
        ['test', '--config', 'e2e/playwright.config.ts', ...(part === 'e2e' ? rest : [])],
        {
          env: { ...env, LQ_CHROMIUM: chromium, NODE_OPTIONS: '' },
        },
      );
      counts.push(playwrightCounts(path.join(dir, 'playwright.json')));
    }
    const total = counts.reduce((a, b) => ({ passed: a.passed + b.passed, failed: a.failed + b.failed }));
    say(`\n${total.passed} passed, ${total.failed} failed`);
    return failed === 0 && total.failed === 0 && total.passed > 0 ? 0 : 1;
  } finally {
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  }
});

function runUnit(env, dir) {
  const jest = path.join(ROOT, 'node_modules/jest/bin/jest.js');
  const args = [
    '--experimental-vm-modules',
    '--disable-warning=ExperimentalWarning',
    jest,
    '--config',
    'jest.config.mjs',
    '--json',
    `--outputFile=${path.join(dir, 'jest.json')}`,
    '--testLocationInResults',
  ];
  return run(process.execPath, [...args, ...(part === 'unit' ? rest : [])], {
    env,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
}

function jestCounts(file) {
  const { numPassedTests, numFailedTests, numFailedTestSuites, numRuntimeErrorTestSuites } = JSON.parse(
    readFileSync(file, 'utf8'),
  );
  return {
    passed: numPassedTests,
    failed: numFailedTests + (numFailedTests === 0 ? numFailedTestSuites + numRuntimeErrorTestSuites : 0),
  };
}

function playwrightCounts(file) {
  const { stats } = JSON.parse(readFileSync(file, 'utf8'));
  return { passed: stats.expected + stats.flaky, failed: stats.unexpected };
}
