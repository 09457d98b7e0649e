/** npm run calibrate: simulates openings whose true shapes are known, and says how often the engine was right about them. */
import { runMain } from './lib/project.mjs';
import { runTool } from './lib/tool.mjs';

await runMain(() => runTool('calibrate/calibrate.ts', process.argv.slice(2)));
