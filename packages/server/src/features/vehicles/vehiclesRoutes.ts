import { findVehicles, VEHICLES_A_PAGE } from '@low-quarry/core/contracts/findVehicles';
import {
  addVehicle,
  getVehicle,
  type ListedTemplate,
  listTemplates,
  putVehicle,
} from '@low-quarry/core/contracts/vehicles';
import type { Router } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import type { Actor } from '../../http/Actor';
import { route, write } from '../../http/route';
import type { OpenHistory } from '../history/History';
import { VehiclesService } from './VehiclesService';

export function vehiclesRoutes(
  router: Router,
  db: DataSource,
  templates: readonly ListedTemplate[],
  newId: () => string,
  openHistory: OpenHistory,
): void {
  const service = (manager: EntityManager, actor: Actor) =>
    new VehiclesService(manager, openHistory(manager, actor), actor, templates);
  route(router, findVehicles, ({ params: { find, page }, actor }) =>
    service(db.manager, actor).search(find, page, VEHICLES_A_PAGE),
  );
  route(router, listTemplates, async () => ({ templates: [...templates] }));
  route(router, getVehicle, ({ params, actor }) => service(db.manager, actor).get(params.vehicleId));
  write(router, db, addVehicle, ({ body, manager, actor }) => service(manager, actor).add(body, newId()));
  write(router, db, putVehicle, ({ params, body, manager, actor }) =>
    service(manager, actor).change(params.vehicleId, body.version, body.record),
  );
}
