/** npm run routes: every route with its method, path and permission, one JSON object a line. */
import { runMain } from './lib/project.mjs';
import { runTool } from './lib/tool.mjs';

await runMain(() => runTool('cli/routes.ts'));
