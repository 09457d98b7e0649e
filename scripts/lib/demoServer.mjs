/** The built server with the demo shop, on a throw-away database: for pictures and measurements of it. */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ensureBuild } from './build.mjs';
import { ensurePackages } from './install.mjs';
import { startPostgres } from './postgres.mjs';
import { DEMO_DIR, SERVER_MAIN, STARTER_DIR, WEB_DIST } from './project.mjs';
import { end } from './run.mjs';

/**
 * @param work is given the address and the sign-ins; the server is gone afterwards
 * @returns what the work gives
 */
export async function withDemoServer(work) {
  await ensurePackages();
  await ensureBuild();
  const dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-demo-'));
  chmodSync(dir, 0o755);
  const cluster = await startPostgres({ dir, durable: false });
  let server = null;
  try {
    await cluster.createDatabase('demo');
    const env = {
      ...process.env,
      DATABASE_URL: cluster.ownerUrl('demo'),
      LQ_APP_DATABASE_URL: cluster.appUrl('demo'),
      PORT: '0',
      LQ_WEB_DIR: WEB_DIST,
      LQ_DEMO_DIR: DEMO_DIR,
      LQ_STARTER_DIR: STARTER_DIR,
      LQ_BACKUP_DIR: path.join(dir, 'backups'),
      LQ_PHOTO_DIR: path.join(dir, 'photos'),
      LQ_DEMO: '1',
      LOG_LEVEL: 'warn',
    };
    server = spawn(process.execPath, [SERVER_MAIN], { env, stdio: ['ignore', 'inherit', 'inherit', 'ipc'] });
    const [{ listening, demoSignIns }] = await once(server, 'message');
    return await work(listening, demoSignIns);
  } finally {
    if (server) await end(server, 'SIGTERM');
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  }
}
