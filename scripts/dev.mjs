/** npm run dev: the web application with hot reload, the server rebuilt and restarted at each change. */
import { spawn } from 'node:child_process';
import path from 'node:path';
import { viteBin } from './lib/build.mjs';
import { ensurePackages } from './lib/install.mjs';
import { freePort } from './lib/postgres.mjs';
import { DEMO_DIR, ROOT, runMain, SERVER_MAIN, STARTER_DIR, say, WEB_DIST } from './lib/project.mjs';
import { end } from './lib/run.mjs';
import { openShopDatabase, shopEnv } from './lib/shop.mjs';

await runMain(async () => {
  await ensurePackages();
  const database = await openShopDatabase();
  const apiPort = await freePort();
  const env = {
    ...process.env,
    ...shopEnv(database),
    PORT: String(apiPort),
    LQ_WEB_DIR: WEB_DIST,
    LQ_DEMO_DIR: DEMO_DIR,
    LQ_STARTER_DIR: STARTER_DIR,
    LQ_API_PORT: String(apiPort),
  };
  const stdio = ['ignore', 'inherit', 'inherit'];
  let server = null;
  let closing = false;
  const builder = spawn(viteBin(), ['build', '--watch', '--logLevel', 'warn'], {
    cwd: path.join(ROOT, 'packages/server'),
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
    detached: true,
  });
  const restart = async () => {
    if (server) await end(server, 'SIGTERM');
    if (!closing)
      server = spawn(process.execPath, ['--enable-source-maps', SERVER_MAIN], {
        env,
        stdio: [...stdio, 'ipc'],
        detached: true,
      });
  };
  // The builder has no other sign of having finished than the file it writes.
  const { existsSync, watchFile, unwatchFile } = await import('node:fs');
  watchFile(SERVER_MAIN, { interval: 300 }, ({ size }) => size > 0 && restart());
  if (existsSync(SERVER_MAIN)) await restart();
  const web = spawn(viteBin(), ['--clearScreen', 'false'], {
    cwd: path.join(ROOT, 'packages/web'),
    env,
    stdio,
    detached: true,
  });
  await new Promise((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, resolve);
  });
  say('\nStopping …');
  closing = true;
  unwatchFile(SERVER_MAIN);
  for (const child of [web, builder, server]) if (child) await end(child, 'SIGTERM');
  await database.stop();
});
