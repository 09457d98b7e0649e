import { getOpening, putOpening } from '@low-quarry/core/contracts/openings';
import type { Router } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import { route, write } from '../../http/route';
import { ChoicesStore } from '../choices/ChoicesStore';
import { PartsStore } from '../parts/PartsStore';
import { OpeningsService } from './OpeningsService';
import { OpeningsStore } from './OpeningsStore';

export function openingsRoutes(router: Router, db: DataSource): void {
  const service = (manager: EntityManager) =>
    new OpeningsService(new OpeningsStore(manager), new ChoicesStore(manager), new PartsStore(manager));
  route(router, getOpening, ({ params }) => service(db.manager).get(params.openingId));
  write(router, db, putOpening, ({ params, body, manager }) =>
    service(manager).replace(params.openingId, body.version, body.record),
  );
}
