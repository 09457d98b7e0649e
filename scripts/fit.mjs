/** npm run --silent fit -- OPENING.json PARTS.json: prints the fit report; paths are those of the folder it is called in. */
import path from 'node:path';
import { runMain } from './lib/project.mjs';
import { runTool } from './lib/tool.mjs';

const from = process.env.INIT_CWD ?? process.cwd();
await runMain(() =>
  runTool(
    'cli/fit.ts',
    process.argv.slice(2).map((file) => path.resolve(from, file)),
  ),
);
