import { disagreements } from '@low-quarry/core/contracts/disagreements';
import { partsTable } from '@low-quarry/core/contracts/library';
import { doubtFigures } from '@low-quarry/core/contracts/libraryDoubts';
import { servesMost } from '@low-quarry/core/contracts/servesMost';
import { importList, listProgress } from '@low-quarry/core/contracts/supplierLists';
import { whereItFits } from '@low-quarry/core/contracts/whereItFits';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { heavyLimit } from '../../http/heavyLimit';
import { fileRoute, route, write } from '../../http/route';
import { TaskProgress } from '../../tasks/TaskProgress';
import type { RunTask } from '../../tasks/tasks';
import { Disagreeing } from '../fit/Disagreeing';
import { PartPlaces } from '../fit/PartPlaces';
import { PartsServing } from '../fit/PartsServing';
import type { OpenHistory } from '../history/History';
import { FigureDoubts } from './FigureDoubts';
import { PartsTable } from './PartsTable';
import { SupplierListImport } from './SupplierListImport';

/**
 * What goes through all parts, or all openings.
 *
 * @param heavy apart from what people do
 */
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
      new SupplierListImport(manager, openHistory(manager, actor)).bringIn(body, newId(), actor.name, {
        ...{ runTask, say, signal: gone },
      }),
    ),
  );
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
