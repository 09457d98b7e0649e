import { listWork, retryWork, stopWork } from '@low-quarry/core/contracts/work';
import type { Router } from 'express';
import { AppError, notFound, refused } from '../../http/AppError';
import { route } from '../../http/route';
import type { WorkQueue } from '../../work/WorkQueue';

const MOST_LISTED = 50;

/** @param queue null where there is none (a list of routes needs none) */
export function workRoutes(router: Router, queue: WorkQueue | null): void {
  const find = async (id: string) => {
    const found = await requireQueue(queue).find(id);
    if (!found) throw notFound('work');
    return found;
  };
  route(router, listWork, async () => ({ work: await requireQueue(queue).list(MOST_LISTED) }));
  route(router, stopWork, async ({ params: { workId } }) => {
    await requireQueue(queue).end(await find(workId));
    return find(workId);
  });
  route(router, retryWork, async ({ params: { workId }, actor }) => {
    const found = await find(workId);
    const { state } = found;
    if (state !== 'failed' && state !== 'stopped')
      throw refused(`This work is ${state}; what failed or was stopped can be asked for again.`, []);
    return requireQueue(queue).again(found, actor.name);
  });
}

export function requireQueue(queue: WorkQueue | null): WorkQueue {
  if (queue) return queue;
  throw new AppError(503, 'no-work', 'No work', 'No folder for backups was set, so nothing is done outside requests.');
}
