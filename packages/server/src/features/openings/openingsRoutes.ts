import { getOpening, putOpening } from '@low-quarry/core/contracts/openings';
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

export function openingsRoutes(router: Router, db: DataSource, openHistory: OpenHistory): void {
  route(router, getOpening, ({ params }) => createOpeningsService(db.manager).get(params.openingId));
  write(router, db, putOpening, ({ params, body, manager, actor }) =>
    createOpeningsService(manager).replace(params.openingId, body.version, body.record, openHistory(manager, actor)),
  );
}
