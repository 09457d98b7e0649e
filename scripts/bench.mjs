/**
 * npm run bench: the fit's own times, then those of a large shop over HTTP and in the browser. `-- fit`, `-- sound`, `-- plan`, `-- room` or `-- lists` runs one of them.
 * The figures of one run belong together; each part's last line is JSON.
 */

import { readdirSync, readFileSync, statSync } from 'node:fs';
import path from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { ensureChromium, ensurePackages } from './lib/install.mjs';
import { ROOT, runMain, say, WEB_DIST } from './lib/project.mjs';
import { run } from './lib/run.mjs';
import { withTestCluster } from './lib/testCluster.mjs';
import { buildTool, runTool } from './lib/tool.mjs';

const [part = 'all'] = process.argv.slice(2);

await runMain(async () => {
  if (part === 'all' || part === 'fit') {
    const failed = await runTool('bench/fitBench.ts');
    if (failed !== 0 || part === 'fit') return failed;
  }
  if (part === 'all' || part === 'sound') {
    const failed = (await runTool('bench/soundBench.ts')) || (await runTool('bench/channelListBench.ts'));
    if (failed !== 0 || part === 'sound') return failed;
  }
  if (part === 'all' || part === 'plan') {
    const failed = (await runTool('bench/planBench.ts')) || (await runTool('bench/templateBench.ts'));
    if (failed !== 0 || part === 'plan') return failed;
  }
  await ensurePackages();
  await ensureBuild();
  const chromium = await ensureChromium();
  return withTestCluster(async (env, dir) => {
    const figures = path.join(dir, 'figures');
    const code = await run(
      path.join(ROOT, 'node_modules/.bin/playwright'),
      ['test', '--config', 'e2e/bench.config.ts', ...(part === 'all' ? [] : [part])],
      {
        env: {
          ...env,
          LQ_CHROMIUM: chromium,
          LQ_FIGURES: figures,
          NODE_OPTIONS: '',
          LQ_SEED: await buildTool('bench/largeShop.ts'),
        },
      },
    );
    const told = readFileSync(figures, 'utf8')
      .split('\n')
      .filter(Boolean)
      .map((line) => JSON.parse(line));
    say(JSON.stringify(Object.assign({}, ...told, { firstLoadKb: firstLoadKb() })));
    return code;
  });
});

/** What each screen weighs as it is sent the first time, kB of gzipped script: the page's own file, the screen's, and what they import. */
function firstLoadKb() {
  const assets = path.join(WEB_DIST, 'assets');
  const scripts = new Map(
    readdirSync(assets)
      .filter((name) => name.endsWith('.js'))
      .map((name) => [name, readFileSync(path.join(assets, name))]),
  );
  const page = /src="\/assets\/([^"]+)"/.exec(readFileSync(path.join(WEB_DIST, 'index.html'), 'utf8'))?.[1];
  const withImports = (names, seen = new Set()) => {
    for (const name of names) {
      if (!scripts.has(name) || seen.has(name)) continue;
      seen.add(name);
      const imported = String(scripts.get(name)).matchAll(/(?:from|import)\s*"\.\/([^"]+\.js)"/g);
      withImports(
        [...imported].map(([, each]) => each),
        seen,
      );
    }
    return seen;
  };
  const screens = [...scripts.keys()].filter((name) => /^\w+Screen-/.test(name));
  const weights = screens.map((name) => {
    const bytes = [...withImports([page, name])].map((each) => statSync(path.join(assets, `${each}.gz`)).size);
    return [name.split('-')[0], Math.round(bytes.reduce((sum, each) => sum + each, 0) / 1024)];
  });
  return Object.fromEntries(weights.sort(([, a], [, b]) => b - a));
}
