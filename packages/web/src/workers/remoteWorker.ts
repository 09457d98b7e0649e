/** A worker of this page that is started when it is first asked, and anew after it broke. */
import { type Remote, wrap } from 'comlink';
import { AwayError } from '../api/call';

type Running<Api> = {
  readonly worker: Worker;
  readonly remote: Remote<Api>;
  /** Fails when the worker does: what it was asked is answered by nobody then. */
  readonly broken: Promise<never>;
};

export function remoteWorker<Api>(start: () => Worker) {
  let running: Running<Api> | null = null;
  const end = () => {
    running?.worker.terminate();
    running = null;
  };
  const begin = (): Running<Api> => {
    const worker = start();
    const broken = new Promise<never>((_, reject) => {
      worker.onerror = (event) => {
        if (running?.worker === worker) end();
        // A script that cannot be loaded has no message; what went wrong in one has.
        reject(event.message ? new Error(event.message) : new AwayError());
      };
    });
    broken.catch(() => {
      // Told to whoever has asked.
    });
    return { worker, remote: wrap<Api>(worker), broken };
  };
  return {
    /**
     * Asks the worker; one that could not be loaded, or broke, is made anew for whoever asks next.
     *
     * @throws AwayError where it could not be loaded: that passes when the server is back
     */
    ask: <Answer>(question: (worker: Remote<Api>) => Promise<Answer>): Promise<Answer> => {
      running ??= begin();
      return Promise.race([question(running.remote), running.broken]);
    },
    /** With everything that it has in memory. */
    end,
  };
}
