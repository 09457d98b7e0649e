import { getOpening, putOpening } from '@low-quarry/core/contracts/openings';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { route } from '../../http/route';
import { ChoicesStore } from '../choices/ChoicesStore';
import { PartsStore } from '../parts/PartsStore';
import { OpeningsService } from './OpeningsService';
import { OpeningsStore } from './OpeningsStore';

export function openingsRoutes(router: Router, db: DataSource): void {
  const { manager } = db;
  const service = new OpeningsService(new OpeningsStore(manager), new ChoicesStore(manager), new PartsStore(manager));
  route(router, getOpening, ({ params }) => service.get(params.openingId));
  route(router, putOpening, ({ params, body }) => service.replace(params.openingId, body.version, body.record));
}
