import { deleteChoice, putChoices } from '@low-quarry/core/contracts/choices';
import type { Role } from '@low-quarry/core/model';
import type { Router } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import { write } from '../../http/route';
import { fittingFrom } from '../fit/Fitting';
import type { History, OpenHistory } from '../history/History';
import { HistoryStore } from '../history/HistoryStore';
import { PartsStore } from '../library/PartsStore';
import { OpeningsStore } from '../openings/OpeningsStore';
import { SettingsStore } from '../settings/SettingsStore';
import { ChoicesService } from './ChoicesService';
import { ChoicesStore } from './ChoicesStore';

export function createChoicesService(manager: EntityManager, history: History, roles: readonly Role[]): ChoicesService {
  return new ChoicesService(
    new OpeningsStore(manager),
    new ChoicesStore(manager),
    fittingFrom(new SettingsStore(manager), new PartsStore(manager)),
    history,
    roles,
    (openingId) => new HistoryStore(manager).lastVersion('choice', openingId),
  );
}

export function choicesRoutes(router: Router, db: DataSource, openHistory: OpenHistory): void {
  write(router, db, putChoices, async ({ params, body, manager, actor }) => ({
    kept: await createChoicesService(manager, openHistory(manager, actor), actor.roles).keep(
      params.jobId,
      body.choices,
    ),
  }));
  write(router, db, deleteChoice, async ({ params, manager, actor }) => ({
    removed: await createChoicesService(manager, openHistory(manager, actor), actor.roles).remove(
      params.openingId,
      params.version,
    ),
  }));
}
