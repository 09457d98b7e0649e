/** The one catalogue worker of this page. */
import { type Remote, wrap } from 'comlink';
import { AwayError } from '../api/call';
import type { CatalogueWorker } from './catalogueWorker';

type Running = {
  readonly worker: Worker;
  readonly remote: Remote<CatalogueWorker>;
  /** Fails when the worker does: what it was asked is answered by nobody then. */
  readonly broken: Promise<never>;
};

let running: Running | null = null;

/**
 * Asks the worker; one that could not be loaded, or broke, is made anew for whoever asks next.
 *
 * @throws AwayError where it could not be loaded: that passes when the server is back
 */
export function askCatalogue<Answer>(ask: (worker: Remote<CatalogueWorker>) => Promise<Answer>): Promise<Answer> {
  running ??= start();
  return Promise.race([ask(running.remote), running.broken]);
}

/** With everything that it has in memory. */
export function endCatalogueWorker(): void {
  running?.worker.terminate();
  running = null;
}

function start(): Running {
  const worker = new Worker(new URL('./catalogueWorker.ts', import.meta.url), { type: 'module' });
  const broken = new Promise<never>((_, reject) => {
    worker.onerror = (event) => {
      if (running?.worker === worker) endCatalogueWorker();
      // A script that cannot be loaded has no message; what went wrong in one has.
      reject(event.message ? new Error(event.message) : new AwayError());
    };
  });
  broken.catch(() => {
    // Told to whoever has asked.
  });
  return { worker, remote: wrap<CatalogueWorker>(worker), broken };
}
