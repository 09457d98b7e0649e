/** Builds one of the project's own tools and runs it: they are TypeScript on the core's sources. */
import path from 'node:path';
import { viteBin } from './build.mjs';
import { ensurePackages } from './install.mjs';
import { DEMO_DIR, ROOT, Stop } from './project.mjs';
import { capture, run } from './run.mjs';

/**
 * @param source the tool's file below tools/
 * @returns the file to run
 */
export async function buildTool(source) {
  await ensurePackages();
  const out = path.join(ROOT, 'tools/dist', path.dirname(source));
  const build = ['build', '--ssr', source, '--outDir', out, '--logLevel', 'warn'];
  const { code, output } = await capture(viteBin(), build, { cwd: path.join(ROOT, 'tools') });
  if (code !== 0) throw new Stop(`Building ${source} failed.\n${output}`);
  return path.join(out, `${path.basename(source, '.ts')}.js`);
}

/**
 * @param source the tool's file below tools/
 * @param args what it is given
 * @returns its exit status
 */
export async function runTool(source, args = []) {
  const file = await buildTool(source);
  return run(process.execPath, [file, ...args], { env: { ...process.env, LQ_DEMO_DIR: DEMO_DIR } });
}
