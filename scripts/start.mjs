/**
 * npm start: installs what is missing, starts the private database, builds, and serves everything from one port on
 * 127.0.0.1. Honours PORT, DATABASE_URL, LQ_DATA_DIR, and LQ_HOST once the shop has an owner. With --demo a new database
 * becomes the demo shop without asking. A server or a database that ends by itself is started again. Ctrl-C stops the server,
 * then the database.
 */
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { ensureBuild } from './lib/build.mjs';
import { ensurePackages } from './lib/install.mjs';
import { DEMO_DIR, runMain, SERVER_MAIN, STARTER_DIR, Stop, say, WEB_DIST } from './lib/project.mjs';
import { openShopDatabase, shopEnv } from './lib/shop.mjs';
import { supervise } from './lib/supervise.mjs';

const DEFAULT_PORT = 4780;

await runMain(async () => {
  const port = readPort(process.env.PORT);
  await refuseBusyPort(port);
  await ensurePackages();
  const stopAsked = new Promise((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => resolve(signal));
  });
  await ensureBuild();
  const database = await openShopDatabase();
  try {
    const env = {
      ...process.env,
      ...shopEnv(database),
      PORT: String(port),
      LQ_WEB_DIR: WEB_DIST,
      LQ_DEMO_DIR: DEMO_DIR,
      LQ_STARTER_DIR: STARTER_DIR,
      LQ_DEMO: process.argv.includes('--demo') ? '1' : (process.env.LQ_DEMO ?? '0'),
      LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
    };
    let isFirst = true;
    const startServer = () => {
      const server = spawn(process.execPath, ['--enable-source-maps', SERVER_MAIN], {
        stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
        detached: true,
        // After a start on a free port the next one is where browsers look for it.
        env: { ...env, PORT: String(served ?? port) },
      });
      server.on('message', ({ listening, demoSignIns }) => {
        if (listening) {
          served = new URL(listening).port || port;
          say(isFirst ? `\nLow Quarry: ${listening}` : 'The server is back.');
        }
        for (const { name, roles, password, pin } of (isFirst && demoSignIns) || []) {
          say(`  demo sign-in: ${name} (${roles.join(', ')}), password "${password}", PIN ${pin}`);
        }
        if (listening && isFirst) say('Ctrl-C stops it.');
        if (listening) isFirst = false;
      });
      return server;
    };
    let served = null;
    return await supervise(startServer, stopAsked);
  } finally {
    await database.stop();
  }
});

function readPort(text) {
  if (text === undefined || text === '') return DEFAULT_PORT;
  const port = Number(text);
  if (Number.isInteger(port) && port >= 0 && port <= 65535) return port;
  throw new Stop(`PORT: "${text}" was read; expected a whole number from 0 to 65535.`);
}

function refuseBusyPort(port) {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', ({ code }) => {
      const why = code === 'EADDRINUSE' ? 'is in use by another program' : `cannot be used (${code})`;
      reject(new Stop(`Port ${port} ${why}. Set another one: PORT=4781 npm start`));
    });
    probe.listen(port, '127.0.0.1', () => probe.close(resolve));
  });
}
