/** npm run schemas: writes docs/schemas again, after a format has changed. */
import path from 'node:path';
import { ROOT, runMain } from './lib/project.mjs';
import { runTool } from './lib/tool.mjs';

await runMain(() => runTool('cli/schemas.ts', [path.join(ROOT, 'docs/schemas')]));
