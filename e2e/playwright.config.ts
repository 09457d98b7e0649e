/** Browser tests in Debian's Chromium against the built application; `npm test` sets what they need. */
import path from 'node:path';
import { defineConfig } from '@playwright/test';
import { PLAIN_HOST } from './driver/Shop';

const results = process.env.LQ_TEST_RESULTS ?? 'test-results';

export default defineConfig<{ plain: boolean }>({
  testDir: 'scenarios',
  globalSetup: './driver/demoShop.ts',
  outputDir: path.join(results, 'browser'),
  // Generous: a busy machine may be ten times slower, and what is tested is what happens, not how fast.
  timeout: 240_000,
  expect: { timeout: 40_000 },
  fullyParallel: true,
  // As many as a small machine has processors: more only wait for one another. What is measured is measured alone.
  workers: process.env.LQ_FIGURES ? 1 : 2,
  forbidOnly: true,
  // A machine that stands still for seconds upsets a scenario now and then; what is wrong is wrong twice, and the last line counts these.
  retries: process.env.LQ_FIGURES ? 0 : 1,
  projects: [
    { name: 'loopback', grepInvert: /@plain/ },
    // As most tablets of a shop reach it, neither https nor the machine's own address: what a browser keeps from such a page it is that differs.
    {
      name: 'plain http',
      // What holds on both is walked where less is given; what a browser gives to one of them only is walked on both.
      grep: /@plain|@both/,
      use: { plain: true },
    },
  ],
  reporter: [['list'], ['json', { outputFile: path.join(results, 'playwright.json') }]],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    trace: 'off',
    // Keeping the program on the device is a quarter of a scenario's work: those that are about it, or go on without the server, allow it.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: process.env.LQ_CHROMIUM ?? '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        // No page lives long enough to gain by the last step of compiling: 22 scenarios in 171 s of processor instead of 188.
        ...(process.env.LQ_FIGURES ? [] : ['--js-flags=--no-turbofan']),
        // Letters as wide as on paper and on a real screen.
        '--font-render-hinting=none',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        // A camera that shows a moving picture of its own, for which every page has leave.
        '--use-fake-device-for-media-stream',
        '--use-fake-ui-for-media-stream',
        `--host-resolver-rules=MAP ${PLAIN_HOST} 127.0.0.1`,
      ],
    },
  },
});
