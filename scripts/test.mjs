/**
 * npm test: everything, on a throw-away database. Types, lint and import rules; unit and server tests; the build; the
 * browser tests. Installs PostgreSQL, Chromium, exiftool and gnumeric when they are absent. `npm test -- unit` or `-- e2e` runs a part,
 * and further words go to the test runner.
 */
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { ensureChromium, ensurePackages, ensureReferees } from './lib/install.mjs';
import { ensurePostgres } from './lib/postgres.mjs';
import { ROOT, runMain, say } from './lib/project.mjs';
import { run } from './lib/run.mjs';
import { withTestCluster } from './lib/testCluster.mjs';

const [part = 'all', ...rest] = process.argv.slice(2);
const wants = (name) => part === 'all' || part === name;

await runMain(async () => {
  const isRun = wants('unit') || wants('e2e');
  // Programs come while npm's packages do and the code is checked: what one waits for the network, the other works.
  const programs = isRun ? ensurePrograms() : null;
  // What went wrong with them is told where they are needed.
  programs?.catch(() => {});
  await ensurePackages();
  if (wants('check')) {
    const code = await run(process.execPath, ['scripts/check.mjs']);
    if (code !== 0) {
      await Promise.allSettled([programs]);
      return code;
    }
  }
  if (!isRun) return 0;

  const { chromium } = await programs;
  return withTestCluster(
    async (env, dir) => {
      const counts = [];
      let failed = 0;
      if (wants('unit')) {
        failed += await runUnit(env, dir);
        counts.push(jestCounts(path.join(dir, 'jest.json')));
      }
      if (wants('e2e') && failed === 0) {
        await ensureBuild();
        failed += await run(
          path.join(ROOT, 'node_modules/.bin/playwright'),
          ['test', '--config', 'e2e/playwright.config.ts', ...(part === 'e2e' ? rest : [])],
          {
            env: { ...env, LQ_CHROMIUM: chromium, NODE_OPTIONS: '' },
          },
        );
        counts.push(playwrightCounts(path.join(dir, 'playwright.json')));
      }
      const total = counts.reduce((a, b) => ({
        passed: a.passed + b.passed,
        failed: a.failed + b.failed,
        atSecondTry: a.atSecondTry + b.atSecondTry,
      }));
      const again = total.atSecondTry > 0 ? `, ${total.atSecondTry} only at the second try` : '';
      say(`\n${total.passed} passed, ${total.failed} failed${again}`);
      return failed === 0 && total.failed === 0 && total.passed > 0 ? 0 : 1;
    },
    { inMemory: true },
  );
});

/** One after the other: Debian's installer is one at a time. */
async function ensurePrograms() {
  await ensurePostgres();
  await ensureReferees();
  return { chromium: wants('e2e') ? await ensureChromium() : null };
}

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
    atSecondTry: 0,
  };
}

function playwrightCounts(file) {
  const { stats } = JSON.parse(readFileSync(file, 'utf8'));
  return { passed: stats.expected + stats.flaky, failed: stats.unexpected, atSecondTry: stats.flaky };
}
