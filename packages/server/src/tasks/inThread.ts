/** Runs a task in a thread of its own: the shop is served meanwhile, and it is stopped by ending the thread. */
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import type { Came, RunTask, TaskName } from './tasks';

/** What the thread says: how far it is, and at last what came of it. */
export type ThreadSays = { readonly step: string; readonly share: number } | { readonly came: Came<TaskName> };

/** Beside the program, as it was built. */
const THREAD = path.join(path.dirname(fileURLToPath(import.meta.url)), 'taskThread.js');
/** A task that asks for more is ended before the server is. */
const MOST_MEMORY_MB = 2500;
/** Longer than the largest list takes on a slow machine: then it is ended, whether anybody waits for it or not. */
const LONGEST_MS = 30 * 60_000;
/** Of the server's processors one is left to everybody else; whoever comes then waits for their turn. */
const taking = { turn: Promise.resolve() as Promise<unknown> };

export const runInThread: RunTask = <Name extends TaskName>(...asked: Parameters<RunTask>): Promise<Came<Name>> => {
  const came = taking.turn.then(() => runNow<Name>(...asked));
  // What fails is told to whoever asked; the next one's turn comes all the same.
  taking.turn = came.catch(() => {});
  return came;
};

/** At once, beside the others: for what nobody waits for, and comes one after the other anyway. */
export const runBeside: RunTask = <Name extends TaskName>(...asked: Parameters<RunTask>): Promise<Came<Name>> =>
  runNow<Name>(...asked);

async function runNow<Name extends TaskName>(...[name, given, say, asked]: Parameters<RunTask>): Promise<Came<Name>> {
  const signal = AbortSignal.any([asked, AbortSignal.timeout(LONGEST_MS)]);
  signal.throwIfAborted();
  const thread = new Worker(THREAD, {
    workerData: { name, given },
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
  });
  try {
    return await new Promise((resolve, reject) => {
      thread.on('message', (said: ThreadSays) =>
        'came' in said ? resolve(said.came as Came<Name>) : say(said.step, said.share),
      );
      thread.on('error', reject);
      thread.on('exit', (code) => reject(new Error(`The thread of ${name} ended by itself, with ${code}.`)));
      signal.addEventListener('abort', () => reject(signal.reason), { once: true });
    });
  } finally {
    await thread.terminate();
  }
}
