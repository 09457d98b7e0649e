import { getShop } from '@low-quarry/core/contracts/catalogue';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { route } from '../../http/route';
import { ShopStore } from './ShopStore';

export function shopRoutes(router: Router, db: DataSource): void {
  route(router, getShop, () => new ShopStore(db.manager).get());
}
