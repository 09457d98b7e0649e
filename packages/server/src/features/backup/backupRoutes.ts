import { createReadStream } from 'node:fs';
import { Transform } from 'node:stream';
import {
  askBackup,
  BACKUP_FILE_PATH,
  BACKUP_UPLOAD_PATH,
  backupNameSchema,
  listBackups,
  restoreBackup,
} from '@low-quarry/core/contracts/backup';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import type { Actor } from '../../http/Actor';
import { AppError, notFound, refused } from '../../http/AppError';
import { actorOf, guard } from '../../http/guard';
import { heavyLimit } from '../../http/heavyLimit';
import { requireNamedPerson } from '../../http/requireNamedPerson';
import { route } from '../../http/route';
import { sendStream } from '../../http/sendStream';
import type { WorkQueue } from '../../work/WorkQueue';
import { SettingsStore } from '../settings/SettingsStore';
import { requireQueue } from '../work/workRoutes';
import { type BackupService, tooLarge } from './BackupService';

/** A shop's database of years is some tens of megabytes. */
const MOST_UPLOAD_BYTES = 2 * 1024 ** 3;

/** @param backups null where none are made (a list of routes needs none) */
export function backupRoutes(
  router: Router,
  db: DataSource,
  backups: BackupService | null,
  queue: WorkQueue | null,
): void {
  const service = () => {
    if (backups) return backups;
    throw new AppError(503, 'no-backups', 'No backups', 'No folder for backups was set.');
  };
  router.use('/api/backups', heavyLimit());
  route(router, listBackups, async () => ({
    backups: await service().list(),
    nightlyFault: (await requireQueue(queue).last('nightly'))?.fault ?? null,
    lastTrial: await service().lastTrial(),
  }));
  route(router, askBackup, ({ actor }) => requireQueue(queue).ask('backup', actor.name));
  route(router, restoreBackup, async ({ params, body }) => {
    const shop = await new SettingsStore(db.manager).get();
    if (body.shopName.trim() !== shop.name) {
      const message = `Type the name of the shop, "${shop.name}", to replace everything in it.`;
      throw refused(message, [{ path: 'shopName', message }]);
    }
    const { manifest, keptAs, findings } = await service().restore(await service().fileOf(params.name));
    return { madeAt: manifest.madeAt, keptAs, findings: [...findings] };
  });
  router.get(BACKUP_FILE_PATH, guard('backup'), async (request, response) => {
    const name = backupNameSchema.safeParse(request.params.name);
    if (!name.success) throw notFound('backup');
    const file = await service().fileOf(name.data);
    // To keep, never to open in the page.
    response.type('application/octet-stream').attachment(name.data);
    await sendStream(response, createReadStream(file));
  });
  router.post(BACKUP_UPLOAD_PATH, guard('backup'), async (request, response) => {
    requireNamedPerson(request, actorOf(response) as Actor);
    let bytes = 0;
    const counted = new Transform({
      transform(chunk: Buffer, _encoding, done) {
        bytes += chunk.length;
        done(bytes > MOST_UPLOAD_BYTES ? tooLarge() : null, chunk);
      },
    });
    response.json(await service().keepUpload([request, counted]));
  });
}
