import { getCatalogue } from '@low-quarry/core/contracts/catalogue';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { route } from '../../http/route';
import { PartsStore } from './PartsStore';

export function partsRoutes(router: Router, db: DataSource): void {
  route(router, getCatalogue, async () => {
    const store = new PartsStore(db.manager);
    const [{ parts, unreadable }, connectors] = await Promise.all([store.listAllParts(), store.listConnectors()]);
    return { parts: [...parts], connectors: [...connectors], unreadable: [...unreadable] };
  });
}
