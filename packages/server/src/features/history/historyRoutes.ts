import { bringBack, CHANGES_A_PAGE, getUndo, listHistory, undo } from '@low-quarry/core/contracts/history';
import { RECORD_KINDS } from '@low-quarry/core/records';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { route, write } from '../../http/route';
import { JobsStore } from '../jobs/JobsStore';
import type { OpenHistory } from './History';
import { HistoryService } from './HistoryService';
import { HistoryStore } from './HistoryStore';
import { maySee } from './maySee';
import { Searches } from './Searches';

export function historyRoutes(router: Router, db: DataSource, heavy: DataSource, openHistory: OpenHistory): void {
  const searches = new Searches();
  route(router, listHistory, async ({ params, actor }) => {
    const without = RECORD_KINDS.filter((kind) => !maySee(kind, actor.roles));
    const query = { ...params, without };
    const changes = params.find
      ? await searches.one(actor.personId, () => new HistoryStore(heavy.manager).list(query, CHANGES_A_PAGE + 1))
      : await new HistoryStore(db.manager).list(query, CHANGES_A_PAGE + 1);
    const page = changes.slice(0, CHANGES_A_PAGE);
    const cars = await new JobsStore(db.manager).titles(page.flatMap(({ jobId }) => jobId ?? []));
    return { changes: page, hasMore: changes.length > CHANGES_A_PAGE, cars };
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
