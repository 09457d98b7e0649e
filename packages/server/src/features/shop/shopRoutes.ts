import { getShop, putShop } from '@low-quarry/core/contracts/catalogue';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { route, write } from '../../http/route';
import type { OpenHistory } from '../history/History';
import { ShopService } from './ShopService';
import { ShopStore } from './ShopStore';

export function shopRoutes(router: Router, db: DataSource, openHistory: OpenHistory): void {
  route(router, getShop, () => new ShopStore(db.manager).getWithVersion());
  write(router, db, putShop, ({ body, manager, actor }) =>
    new ShopService(manager, openHistory(manager, actor)).change(body.version, body.settings),
  );
}
