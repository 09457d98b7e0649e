/** The one worker of this page that makes pictures ready. */
import type { PictureWorker } from './pictureWorker';
import { remoteWorker } from './remoteWorker';

export const { ask: askPictures } = remoteWorker<PictureWorker>(
  () => new Worker(new URL('./pictureWorker.ts', import.meta.url), { type: 'module' }),
);
