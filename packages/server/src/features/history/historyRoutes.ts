import { bringBack, CHANGES_A_PAGE, getUndo, listHistory, undo } from '@low-quarry/core/contracts/history';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { route, write } from '../../http/route';
import type { OpenHistory } from './History';
import { HistoryService } from './HistoryService';
import { HistoryStore } from './HistoryStore';

export function historyRoutes(router: Router, db: DataSource, openHistory: OpenHistory): void {
  route(router, listHistory, async ({ params }) => {
    const changes = await new HistoryStore(db.manager).list(params, CHANGES_A_PAGE + 1);
    return { changes: changes.slice(0, CHANGES_A_PAGE), hasMore: changes.length > CHANGES_A_PAGE };
  });
  route(router, getUndo, async ({ actor }) => ({
    changes: [...(await new HistoryService(db.manager, openHistory(db.manager, actor)).listUndoable(actor))],
  }));
  write(router, db, bringBack, async ({ params, body, manager, actor }) => ({
    changeId: await new HistoryService(manager, openHistory(manager, actor)).bringBack(params.changeId, body.to, actor),
  }));
  write(router, db, undo, async ({ body, manager, actor }) => ({
    undone: await new HistoryService(manager, openHistory(manager, actor)).undo(body.changeIds, actor),
  }));
}
