/** npm run bench: builds the benchmark and runs it; the figures of one run belong together. */
import { runMain } from './lib/project.mjs';
import { runTool } from './lib/tool.mjs';

await runMain(() => runTool('bench/fitBench.ts'));
