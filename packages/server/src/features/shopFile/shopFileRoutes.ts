import { Readable } from 'node:stream';
import { EXPORT_CSV_PATH, EXPORT_PATH } from '@low-quarry/core/contracts/backup';
import { importShop } from '@low-quarry/core/contracts/shopFile';
import type { Router } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import { createDataSource } from '../../db/dataSource';
import type { Addresses } from '../../db/ShopDatabases';
import { AppError, notFound } from '../../http/AppError';
import { guard } from '../../http/guard';
import { heavyLimit } from '../../http/heavyLimit';
import { route } from '../../http/route';
import { sendStream } from '../../http/sendStream';
import type { BackupService } from '../backup/BackupService';
import { STARTER_PACK } from '../library/readGoods';
import type { PictureFiles } from '../photos/PictureFiles';
import { importShopFile, keepPictures, moveSession, readShopFile } from './importShopFile';
import { writeShopJson } from './writeShopJson';
import { CSV_TABLES, writeTableCsv } from './writeTableCsv';

/**
 * @param heavy what is read whole is read apart from what people do
 * @param pictures null where no folder for them is set
 */
export function shopFileRoutes(
  router: Router,
  db: DataSource,
  heavy: DataSource,
  backups: BackupService | null,
  pictures: PictureFiles | null,
): void {
  router.use([EXPORT_PATH, importShop.path], heavyLimit());
  router.get(EXPORT_PATH, guard('backup'), async (_request, response) => {
    response.type('application/json').attachment('shop.json');
    await sendStream(response, Readable.from(writeShopJson(heavy, pictures)));
  });
  router.get(EXPORT_CSV_PATH, guard('backup'), async (request, response) => {
    const table = CSV_TABLES.find((each) => `${each}.csv` === request.params.table);
    if (!table) throw notFound('table');
    response.type('text/csv').attachment(`${table}.csv`);
    await sendStream(response, Readable.from(writeTableCsv(heavy, table)));
  });
  route(router, importShop, async ({ body, actor }) => {
    if (!backups) throw new AppError(503, 'no-backups', 'No backups', 'No folder for backups was set.');
    await requireEmpty(db.manager);
    const file = readShopFile(body);
    if (pictures) await keepPictures(file, pictures);
    let owner = actor.personId;
    const { answer, findings } = await backups.replaceBy(
      (into) =>
        inDatabase(into, async (manager) => {
          const { imported, ownerId } = await importShopFile(manager, file, db.manager, actor.personId);
          owner = ownerId;
          return imported;
        }),
      async (into) => {
        // Somebody may have begun to work in the meantime.
        await requireEmpty(db.manager);
        await inDatabase(into, (manager) => moveSession(manager, db.manager, actor.sessionId, owner));
      },
    );
    return { ...answer, findings: [...findings] };
  });
}

async function inDatabase<Answer>(
  { appUrl }: Addresses,
  work: (manager: EntityManager) => Promise<Answer>,
): Promise<Answer> {
  const into = await createDataSource(appUrl).initialize();
  try {
    return await into.transaction(work);
  } finally {
    await into.destroy();
  }
}

/** What the program put there at the first start is nobody's work. */
async function requireEmpty(manager: EntityManager): Promise<void> {
  const [found] = await manager.query(
    `WITH "began" AS (SELECT "id" FROM "change"
        WHERE "kind" = 'partsImport' AND "action" = 'created' AND "person_id" IS NULL AND "label" = $1)
      SELECT EXISTS (SELECT 1 FROM "job") OR EXISTS (SELECT 1 FROM "vehicle")
        OR EXISTS (SELECT 1 FROM "change" WHERE "id" NOT IN (SELECT "id" FROM "began"))
        OR (EXISTS (SELECT 1 FROM "part") AND NOT EXISTS (SELECT 1 FROM "began")) AS "full"`,
    [STARTER_PACK],
  );
  if (!found.full) return;
  throw new AppError(
    409,
    'not-empty',
    'Not a new shop',
    'A shop file comes into a new shop only, one without jobs, library and history. Nothing was changed.',
  );
}
