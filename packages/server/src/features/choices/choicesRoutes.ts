import { deleteChoice, putChoices } from '@low-quarry/core/contracts/choices';
import type { Router } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import { route } from '../../http/route';
import { readFitting } from '../fit/Fitting';
import { OpeningsStore } from '../openings/OpeningsStore';
import { PartsStore } from '../parts/PartsStore';
import { ShopStore } from '../shop/ShopStore';
import { ChoicesService } from './ChoicesService';
import { ChoicesStore } from './ChoicesStore';

export function choicesRoutes(router: Router, db: DataSource, now: () => Date): void {
  const service = (manager: EntityManager) =>
    new ChoicesService(
      new OpeningsStore(manager),
      new ChoicesStore(manager),
      () => readFitting(new ShopStore(manager), new PartsStore(manager)),
      now,
    );
  route(router, putChoices, async ({ params, body }) => ({
    kept: await db.transaction((manager) => service(manager).keep(params.jobId, body.choices)),
  }));
  route(router, deleteChoice, async ({ params }) => ({ removed: await service(db.manager).remove(params.openingId) }));
}
