/** The one worker of this page that reads codes. */
import type { CodeWorker } from './codeWorker';
import { remoteWorker } from './remoteWorker';

export const { ask: askCodes, end: endCodeWorker } = remoteWorker<CodeWorker>(
  () => new Worker(new URL('./codeWorker.ts', import.meta.url), { type: 'module' }),
);
