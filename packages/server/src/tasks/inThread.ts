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
const MOST_MEMORY_MB = 1500;

export const runInThread: RunTask = async <Name extends TaskName>(
  ...[name, given, say, signal]: Parameters<RunTask>
): Promise<Came<Name>> => {
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
};
