/**
 * npm run backup: writes the whole shop into one file in the data folder's backups, also while the shop is open. Says where.
 */
import { ensureBuild } from './lib/build.mjs';
import { ensurePackages } from './lib/install.mjs';
import { runMain } from './lib/project.mjs';
import { runServer } from './lib/runServer.mjs';
import { reachShopDatabase } from './lib/shop.mjs';

await runMain(async () => {
  await ensurePackages();
  await ensureBuild();
  return runServer(await reachShopDatabase(), ['--backup']);
});
