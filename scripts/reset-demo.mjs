/** npm run reset-demo: throws the shop's data away and loads the demo shop again. Asks before it does. */
import { createInterface } from 'node:readline/promises';
import { ensureBuild } from './lib/build.mjs';
import { ensurePackages } from './lib/install.mjs';
import { DEMO_DIR, runMain, SERVER_MAIN, say, WEB_DIST } from './lib/project.mjs';
import { run } from './lib/run.mjs';
import { openShopDatabase } from './lib/shop.mjs';

await runMain(async () => {
  if (!process.argv.includes('--yes') && !(await isSure())) return say('Nothing was changed.');
  await ensurePackages();
  await ensureBuild();
  const database = await openShopDatabase();
  try {
    const env = {
      ...process.env,
      DATABASE_URL: database.url,
      LQ_WEB_DIR: WEB_DIST,
      LQ_DEMO_DIR: DEMO_DIR,
      LOG_LEVEL: 'warn',
    };
    const code = await run(process.execPath, [SERVER_MAIN, '--reset-demo'], { env });
    if (code === 0) say('The demo shop is as new.');
    return code;
  } finally {
    await database.stop();
  }
});

async function isSure() {
  const prompt = createInterface({ input: process.stdin, output: process.stdout });
  const answer = await prompt.question('All jobs and measurements in this database are lost. Type yes to go on: ');
  prompt.close();
  return answer.trim().toLowerCase() === 'yes';
}
