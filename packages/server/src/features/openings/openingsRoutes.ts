import { addOpening, getOpening, putOpening, removeOpening } from '@low-quarry/core/contracts/openings';
import type { Router } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import { route, write } from '../../http/route';
import { ChoicesStore } from '../choices/ChoicesStore';
import type { OpenHistory } from '../history/History';
import { PartsStore } from '../library/PartsStore';
import { OpeningsService } from './OpeningsService';
import { OpeningsStore } from './OpeningsStore';

export function createOpeningsService(manager: EntityManager): OpeningsService {
  return new OpeningsService(new OpeningsStore(manager), new ChoicesStore(manager), new PartsStore(manager));
}

export function openingsRoutes(router: Router, db: DataSource, newId: () => string, openHistory: OpenHistory): void {
  route(router, getOpening, ({ params }) => createOpeningsService(db.manager).get(params.openingId));
  write(router, db, putOpening, ({ params, body, manager, actor }) =>
    createOpeningsService(manager).replace(params.openingId, body.version, body.record, openHistory(manager, actor)),
  );
  write(router, db, addOpening, ({ params, body, manager, actor }) =>
    createOpeningsService(manager).add(params.jobId, newId(), body.record, openHistory(manager, actor)),
  );
  write(router, db, removeOpening, ({ params, body, manager, actor }) =>
    createOpeningsService(manager).remove(params.openingId, body.version, openHistory(manager, actor)),
  );
}
