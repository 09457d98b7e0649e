/** What `npm run backup` and `npm run restore` ask for. */
import path from 'node:path';
import type { Logger } from 'pino';
import { type Config, isLoopback } from './config';
import { OnlyServer } from './db/OnlyServer';
import { prepareDatabase } from './db/prepareDatabase';
import { type Open, ShopReplacement } from './features/backup/ShopReplacement';
import { Hold } from './http/Hold';
import { backupsOf, demoOf } from './serve';

/** @param words `--backup`, or `--restore` and the backup's file */
export async function backUpOrRestore(words: readonly string[], config: Config, log: Logger): Promise<void> {
  const [wish, file] = words;
  const { pictures } = await demoOf(config, log);
  const addresses = await prepareDatabase(config, log);
  const only = new OnlyServer(addresses.appUrl, log);
  const onlyOpen: Open = { close: () => only.stop(), open: () => only.start() };
  const replacement = new ShopReplacement(addresses, new Hold(), onlyOpen, isLoopback(config.host), log);
  const backups = backupsOf(config, pictures, addresses, replacement);
  // A server that is at work restores by itself: asked on its page, it holds back what is written meanwhile.
  if (wish === '--restore') await only.start();
  if (!backups || !config.backupDir) throw new Error('LQ_BACKUP_DIR is not set: it says where backups are.');
  if (wish === '--backup') {
    const { name, bytes } = await backups.make('asked');
    process.stdout.write(`${path.join(config.backupDir, name)} (${bytes} bytes)\n`);
  } else if (file) {
    const { manifest, keptAs, findings } = await backups.restore(file);
    for (const finding of findings) process.stdout.write(`Look at this: ${finding}.\n`);
    process.stdout.write(
      `The shop "${manifest.shopName}" is what it was on ${manifest.madeAt}. What was there before is kept as ${path.join(config.backupDir, keptAs)}.\n`,
    );
  } else throw new Error('Which backup? Give its file: npm run restore -- FILE');
  await only.stop();
}
