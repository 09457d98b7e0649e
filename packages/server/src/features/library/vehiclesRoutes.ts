import { listVehicles } from '@low-quarry/core/contracts/library';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { route } from '../../http/route';
import { VehiclesStore } from './VehiclesStore';

export function vehiclesRoutes(router: Router, db: DataSource): void {
  route(router, listVehicles, async () => {
    const { vehicles, unreadable } = await new VehiclesStore(db.manager).list();
    return { vehicles: [...vehicles], unreadable: [...unreadable] };
  });
}
