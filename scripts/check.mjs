/** npm run check: types, lint and format, the import rules between layers, dead code. */
import path from 'node:path';
import { ensurePackages } from './lib/install.mjs';
import { ROOT, runMain, say } from './lib/project.mjs';
import { capture } from './lib/run.mjs';

const bin = (name) => path.join(ROOT, 'node_modules/.bin', name);

const CHECKS = [
  ['types, core', bin('tsc'), ['-p', 'packages/core']],
  ["types, core's tests", bin('tsc'), ['-p', 'packages/core/tsconfig.test.json']],
  ['types, server', bin('tsc'), ['-p', 'packages/server']],
  ['types, web', bin('tsc'), ['-p', 'packages/web']],
  ['types, e2e', bin('tsc'), ['-p', 'e2e']],
  ['types, tools', bin('tsc'), ['-p', 'tools']],
  ['lint and format', bin('biome'), ['check', '--error-on-warnings', '.']],
  ['import rules', bin('depcruise'), ['--config', 'tools/dependency-cruiser.cjs', 'packages', 'e2e']],
  ['dead code', bin('knip'), ['--config', 'tools/knip.json']],
];

/** Each works on one processor; those that take longest begin first. */
const AT_ONCE = 2;

await runMain(async () => {
  await ensurePackages();
  let failed = 0;
  const waiting = [...CHECKS];
  const work = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const [name, command, args] = next;
      const { code, output } = await capture(command, args);
      say(`${code === 0 ? 'ok    ' : 'FAILED'} ${name}`);
      if (code !== 0) {
        say(output);
        failed++;
      }
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  return failed === 0 ? 0 : 1;
});
