/** npm run bench: builds the benchmark and runs it; the figures of one run belong together. */
import path from 'node:path';
import { viteBin } from './lib/build.mjs';
import { ensurePackages } from './lib/install.mjs';
import { DEMO_DIR, ROOT, runMain, Stop } from './lib/project.mjs';
import { capture, run } from './lib/run.mjs';

const OUT = path.join(ROOT, 'tools/dist');

await runMain(async () => {
  await ensurePackages();
  const args = ['build', '--ssr', 'bench/fitBench.ts', '--outDir', OUT, '--logLevel', 'warn'];
  const { code, output } = await capture(viteBin(), args, { cwd: path.join(ROOT, 'tools') });
  if (code !== 0) throw new Stop(`Building the benchmark failed.\n${output}`);
  return run(process.execPath, [path.join(OUT, 'fitBench.js')], { env: { ...process.env, LQ_DEMO_DIR: DEMO_DIR } });
});
