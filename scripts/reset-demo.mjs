/** npm run reset-demo: throws the shop's data away and loads the demo shop again. Asks before it does. */
import { ensureBuild } from './lib/build.mjs';
import { ensurePackages } from './lib/install.mjs';
import { isSure } from './lib/isSure.mjs';
import { runMain, say } from './lib/project.mjs';
import { runServer } from './lib/runServer.mjs';
import { openShopDatabase } from './lib/shop.mjs';

await runMain(async () => {
  const question = 'All jobs and measurements in this database are lost. Type yes to go on: ';
  if (!process.argv.includes('--yes') && !(await isSure(question))) return say('Nothing was changed.');
  await ensurePackages();
  await ensureBuild();
  const code = await runServer(await openShopDatabase(), ['--reset-demo']);
  if (code === 0) say('The demo shop is as new.');
  return code;
});
