import { deleteChoice, putChoices } from '@low-quarry/core/contracts/choices';
import type { Router } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import { write } from '../../http/route';
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
  write(router, db, putChoices, async ({ params, body, manager }) => ({
    kept: await service(manager).keep(params.jobId, body.choices),
  }));
  write(router, db, deleteChoice, async ({ params, manager }) => ({
    removed: await service(manager).remove(params.openingId),
  }));
}
