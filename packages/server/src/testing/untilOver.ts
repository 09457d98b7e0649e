/** Waits until a piece of work has ended, or waits for its next try, and tells how. */
import { setTimeout as sleep } from 'node:timers/promises';
import type { Work } from '@low-quarry/core/contracts/work';
import type { WorkQueue } from '../work/WorkQueue';

const LOOK_MS = 20;

export async function untilOver(queue: WorkQueue, id: string): Promise<Work> {
  return untilWork(queue, id, ({ state, tries }) => state !== 'running' && (state !== 'waiting' || tries > 0));
}

export async function untilWork(queue: WorkQueue, id: string, isThere: (work: Work) => boolean): Promise<Work> {
  for (;;) {
    const found = await queue.find(id);
    if (!found) throw new Error(`untilWork: expected work ${id}, found none`);
    if (isThere(found)) return found;
    await sleep(LOOK_MS);
  }
}
