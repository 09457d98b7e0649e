import { disagreements } from '@low-quarry/core/contracts/disagreements';
import { partsTable } from '@low-quarry/core/contracts/findParts';
import { doubtFigures } from '@low-quarry/core/contracts/libraryDoubts';
import { servesMost } from '@low-quarry/core/contracts/servesMost';
import {
  bringList,
  importList,
  listAnswer,
  listProgress,
  listsAtWork,
  stopList,
} from '@low-quarry/core/contracts/supplierLists';
import { whereItFits } from '@low-quarry/core/contracts/whereItFits';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { refused } from '../../http/AppError';
import { heavyLimit } from '../../http/heavyLimit';
import { fileRoute, route, write } from '../../http/route';
import { TaskProgress } from '../../tasks/TaskProgress';
import type { RunTask } from '../../tasks/tasks';
import type { WorkQueue } from '../../work/WorkQueue';
import { Disagreeing } from '../fit/Disagreeing';
import { PartPlaces } from '../fit/PartPlaces';
import { PartsServing } from '../fit/PartsServing';
import { authorOf, type OpenHistory } from '../history/History';
import { requireQueue } from '../work/workRoutes';
import { FigureDoubts } from './FigureDoubts';
import { ListsAtWork } from './ListsAtWork';
import { PartsTable } from './PartsTable';

type Deps = {
  readonly db: DataSource;
  /** Apart from what people do. */
  readonly heavy: DataSource;
  readonly appUrl: string;
  readonly runTask: RunTask;
  /** Null where there is none. */
  readonly work: WorkQueue | null;
  readonly now: () => Date;
  readonly newId: () => string;
  readonly openHistory: OpenHistory;
};

/** What goes through all parts, or all openings. */
export function listsRoutes(router: Router, { db, heavy, appUrl, runTask, work, now, newId, openHistory }: Deps): void {
  const progress = new TaskProgress();
  const atWork = () => new ListsAtWork(db, requireQueue(work), now);
  write(router, heavy, importList, async ({ body: { base64, ...asked }, actor, gone }) => {
    const list = { kind: 'sent', asked, file: Buffer.from(base64, 'base64'), author: authorOf(actor) } as const;
    const task = { appUrl, list, importId: newId(), batch: newId(), at: now().toISOString() };
    const came = await progress.during(actor.personId, (say) => runTask('bringInList', task, say, gone));
    if (came.ok) return came.value;
    throw refused(came.failure, [{ path: 'base64', message: came.failure }]);
  });
  route(router, bringList, async ({ body, actor }) => ({ listId: await atWork().bring(body, actor) }));
  route(router, listsAtWork, async ({ actor }) => ({ lists: await atWork().of(actor) }));
  route(router, listAnswer, ({ params: { listId }, actor }) => atWork().answer(listId, actor));
  route(router, stopList, async ({ params: { listId }, actor }) => {
    await atWork().stop(listId, actor);
    return { lists: await atWork().of(actor) };
  });
  write(router, heavy, doubtFigures, ({ body: { hold }, manager, actor, gone }) =>
    progress.during(actor.personId, (say) =>
      new FigureDoubts(manager, openHistory(manager, actor)).look(hold, newId(), { runTask, say, signal: gone }),
    ),
  );
  route(router, whereItFits, ({ params: { partId }, gone }) => new PartPlaces(heavy.manager, runTask).of(partId, gone));
  route(router, disagreements, ({ gone }) => new Disagreeing(heavy.manager, runTask).all(gone));
  route(router, servesMost, ({ params: { by }, gone }) => new PartsServing(heavy.manager, runTask).most(by, gone));
  router.use(partsTable.path, heavyLimit());
  fileRoute(router, partsTable, ({ params, gone }) => new PartsTable(heavy, runTask).write(params, gone));
  route(router, listProgress, async ({ actor }) => ({ now: progress.of(actor.personId) }));
}
