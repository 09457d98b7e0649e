/** The thread in which one task runs; started by `inThread`, and over with what came of it. */
import { parentPort, workerData } from 'node:worker_threads';
import type { ThreadSays } from './inThread';
import { run, type Task } from './tasks';

const tell = (said: ThreadSays) => parentPort?.postMessage(said);
const { name, given } = workerData as Task;
tell({ came: await run(name, given, (step, share) => tell({ step, share })) });
