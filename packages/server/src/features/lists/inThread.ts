/** Works a list out in a thread of its own: the shop is served meanwhile, and it is stopped by ending the thread. */
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import type { Result } from '@low-quarry/core/result';
import type { PlannedList } from './planList';
import type { PlanList } from './SupplierListImport';

/** What the thread says: how far it is, and at last what came of it. */
export type ThreadSays =
  | { readonly step: string; readonly share: number }
  | { readonly planned: Result<PlannedList, string> };

/** Beside the program, as it was built. */
const THREAD = path.join(path.dirname(fileURLToPath(import.meta.url)), 'listThread.js');
/** A list that asks for more is ended before the server is. */
const MOST_MEMORY_MB = 1500;

export const planInThread: PlanList = async (task, say, signal) => {
  signal.throwIfAborted();
  const thread = new Worker(THREAD, { workerData: task, resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB } });
  try {
    return await new Promise((resolve, reject) => {
      thread.on('message', (said: ThreadSays) =>
        'planned' in said ? resolve(said.planned) : say(said.step, said.share),
      );
      thread.on('error', reject);
      thread.on('exit', (code) => reject(new Error(`The thread of a list ended by itself, with ${code}.`)));
      signal.addEventListener('abort', () => reject(signal.reason), { once: true });
    });
  } finally {
    await thread.terminate();
  }
};
