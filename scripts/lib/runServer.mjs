/** Runs the built server for one task on a database, and stops that afterwards. */
import { DEMO_DIR, SERVER_MAIN, STARTER_DIR, WEB_DIST } from './project.mjs';
import { run } from './run.mjs';
import { shopEnv } from './shop.mjs';

/** @returns its exit status */
export async function runServer(database, args) {
  try {
    const env = {
      ...process.env,
      ...shopEnv(database),
      LQ_WEB_DIR: WEB_DIST,
      LQ_DEMO_DIR: DEMO_DIR,
      LQ_STARTER_DIR: STARTER_DIR,
      LOG_LEVEL: 'warn',
    };
    return await run(process.execPath, [SERVER_MAIN, ...args], { env });
  } finally {
    await database.stop();
  }
}
