/**
 * npm run restore -- FILE: makes the shop what a backup holds. The file is checked whole before anything is touched, and what
 * is there now is kept as a backup of its own. Asks first; --yes answers.
 */
import { existsSync } from 'node:fs';
import path from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { ensurePackages } from './lib/install.mjs';
import { isSure } from './lib/isSure.mjs';
import { runMain, Stop, say } from './lib/project.mjs';
import { runServer } from './lib/runServer.mjs';
import { openShopDatabase } from './lib/shop.mjs';

await runMain(async () => {
  const file = process.argv.slice(2).find((each) => !each.startsWith('--'));
  if (!file) throw new Stop('Which backup? npm run restore -- FILE');
  if (!existsSync(file)) throw new Stop(`"${file}" is not there.`);
  const question = 'Everything in this shop becomes what the backup holds. Type yes to go on: ';
  if (!process.argv.includes('--yes') && !(await isSure(question))) return say('Nothing was changed.');
  await ensurePackages();
  await ensureBuild();
  return runServer(await openShopDatabase(), ['--restore', path.resolve(file)]);
});
