/** The one catalogue worker of this page. */
import type { CatalogueWorker } from './catalogueWorker';
import { remoteWorker } from './remoteWorker';

export const { ask: askCatalogue, end: endCatalogueWorker } = remoteWorker<CatalogueWorker>(
  () => new Worker(new URL('./catalogueWorker.ts', import.meta.url), { type: 'module' }),
);
