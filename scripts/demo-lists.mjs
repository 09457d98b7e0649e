/** npm run demo-lists: writes the suppliers' lists of demo/lists again. */
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { ROOT, runMain } from './lib/project.mjs';
import { runTool } from './lib/tool.mjs';

await runMain(() => {
  const dir = path.join(ROOT, 'demo/lists');
  mkdirSync(dir, { recursive: true });
  return runTool('cli/demoLists.ts', [dir]);
});
