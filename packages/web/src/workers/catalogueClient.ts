/** The one catalogue worker of this page. */
import { type Remote, wrap } from 'comlink';
import type { CatalogueWorker } from './catalogueWorker';

let running: { readonly worker: Worker; readonly remote: Remote<CatalogueWorker> } | null = null;

export function catalogueWorker(): Remote<CatalogueWorker> {
  if (!running) {
    const worker = new Worker(new URL('./catalogueWorker.ts', import.meta.url), { type: 'module' });
    running = { worker, remote: wrap<CatalogueWorker>(worker) };
  }
  return running.remote;
}

/** With everything that it has in memory. */
export function endCatalogueWorker(): void {
  running?.worker.terminate();
  running = null;
}
