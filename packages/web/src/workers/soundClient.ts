/** The one worker of this page that works out sound. */
import { remoteWorker } from './remoteWorker';
import type { SoundWorker } from './soundWorker';

export const { ask: askSound } = remoteWorker<SoundWorker>(
  () => new Worker(new URL('./soundWorker.ts', import.meta.url), { type: 'module' }),
);
