import { importList, listProgress } from '@low-quarry/core/contracts/supplierLists';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { route, write } from '../../http/route';
import type { OpenHistory } from '../history/History';
import { ListProgress } from './ListProgress';
import { type PlanList, SupplierListImport } from './SupplierListImport';

/** @param heavy a list goes through all parts: apart from what people do */
export function listsRoutes(
  router: Router,
  heavy: DataSource,
  planList: PlanList,
  newId: () => string,
  openHistory: OpenHistory,
): void {
  const progress = new ListProgress();
  write(router, heavy, importList, ({ body, manager, actor, gone }) =>
    progress.during(actor.personId, (say) =>
      new SupplierListImport(manager, openHistory(manager, actor)).bringIn(body, newId(), {
        ...{ planList, say, signal: gone },
      }),
    ),
  );
  route(router, listProgress, async ({ actor }) => ({ now: progress.of(actor.personId) }));
}
