/** The thread in which one list is worked out; started by `inThread`, and over with its answer. */
import { parentPort, workerData } from 'node:worker_threads';
import type { ThreadSays } from './inThread';
import { type ListTask, planList } from './planList';

const tell = (said: ThreadSays) => parentPort?.postMessage(said);
const planned = planList(workerData as ListTask, (step, share) => tell({ step, share }));
tell({ planned });
