import { EXPORT_CSV_PATH, EXPORT_PATH } from '@low-quarry/core/contracts/backup';
import { importShop } from '@low-quarry/core/contracts/shopFile';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { notFound } from '../../http/AppError';
import { guard } from '../../http/guard';
import { heavyLimit } from '../../http/heavyLimit';
import { write } from '../../http/route';
import { ShopFileService } from './ShopFileService';
import { CSV_TABLES, writeTableCsv } from './writeTableCsv';

export function shopFileRoutes(router: Router, db: DataSource): void {
  router.use([EXPORT_PATH, importShop.path], heavyLimit());
  // All of it as it was at one moment.
  const readAll = () => db.transaction('REPEATABLE READ', (manager) => new ShopFileService(manager).write());
  router.get(EXPORT_PATH, guard('backup'), async (_request, response) => {
    response
      .type('application/json')
      .attachment('shop.json')
      .send(JSON.stringify(await readAll()));
  });
  router.get(EXPORT_CSV_PATH, guard('backup'), async (request, response) => {
    const table = CSV_TABLES.find((each) => `${each}.csv` === request.params.table);
    if (!table) throw notFound('table');
    response
      .type('text/csv')
      .attachment(`${table}.csv`)
      .send(writeTableCsv(await readAll(), table));
  });
  write(router, db, importShop, ({ body, manager, actor }) => new ShopFileService(manager).read(body, actor.personId));
}
