/** npm run demo-trade: writes the parts of the demo's trade, demo/trade.json, again. */
import { DEMO_DIR, runMain } from './lib/project.mjs';
import { runTool } from './lib/tool.mjs';

await runMain(() => runTool('cli/demoTrade.ts', [DEMO_DIR]));
