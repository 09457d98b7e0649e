import { doubtFigures } from '@low-quarry/core/contracts/libraryDoubts';
import { importList, listProgress } from '@low-quarry/core/contracts/supplierLists';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { route, write } from '../../http/route';
import { TaskProgress } from '../../tasks/TaskProgress';
import type { RunTask } from '../../tasks/tasks';
import type { OpenHistory } from '../history/History';
import { FigureDoubts } from './FigureDoubts';
import { SupplierListImport } from './SupplierListImport';

/** @param heavy a list goes through all parts: apart from what people do */
export function listsRoutes(
  router: Router,
  heavy: DataSource,
  runTask: RunTask,
  newId: () => string,
  openHistory: OpenHistory,
): void {
  const progress = new TaskProgress();
  write(router, heavy, importList, ({ body, manager, actor, gone }) =>
    progress.during(actor.personId, (say) =>
      new SupplierListImport(manager, openHistory(manager, actor)).bringIn(body, newId(), {
        ...{ runTask, say, signal: gone },
      }),
    ),
  );
  write(router, heavy, doubtFigures, ({ body: { hold }, manager, actor, gone }) =>
    progress.during(actor.personId, (say) =>
      new FigureDoubts(manager, openHistory(manager, actor)).look(hold, newId(), { runTask, say, signal: gone }),
    ),
  );
  route(router, listProgress, async ({ actor }) => ({ now: progress.of(actor.personId) }));
}
