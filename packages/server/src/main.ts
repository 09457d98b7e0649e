/** The server's process: what it was started for, and how it ends. */
import { pino } from 'pino';
import { backUpOrRestore } from './backUpOrRestore';
import { readConfig } from './config';
import { prepareDatabase } from './db/prepareDatabase';
import { resetDemo } from './demo/loadDemo';
import { demoOf, identity, serve } from './serve';

const END_TIMEOUT_MS = 8000;
/** Another than that of a wrong setting: the script that started the server starts it again. */
const FAULT_EXIT = 70;

async function main(): Promise<void> {
  const config = readConfig(process.env);
  const log = pino({ level: config.logLevel });
  const words = process.argv.slice(2);
  if (words[0] === '--reset-demo') {
    const demo = await demoOf(config, log);
    await prepareDatabase(config, log, (owner) => resetDemo(owner, demo, identity));
    log.info('The demo shop is as new.');
    return;
  }
  if (words[0] === '--backup' || words[0] === '--restore') return backUpOrRestore(words, config, log);

  const { url, demoSignIns, close } = await serve(config, log, (signIns) => process.send?.({ demoSignIns: signIns }));
  process.send?.({ listening: url, demoSignIns });
  let isClosing = false;
  const end = async (exitCode: number) => {
    if (isClosing) return;
    isClosing = true;
    setTimeout(() => process.exit(exitCode), END_TIMEOUT_MS).unref();
    await close();
    process.exit(exitCode);
  };
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => void end(0));
  // The script that started this server is gone: nobody is left to stop it.
  process.on('disconnect', () => void end(0));
  // What nobody foresaw may have left anything half done: it is written down, and another process goes on.
  for (const event of ['uncaughtException', 'unhandledRejection'] as const) {
    process.on(event, (error) => {
      log.fatal({ err: error }, 'a fault that nobody caught; the server ends and is started again');
      void end(FAULT_EXIT);
    });
  }
}

main().catch((error: unknown) => {
  const failure = error instanceof Error ? error : new Error(String(error));
  process.stderr.write(`Low Quarry could not start: ${failure.message || failure.name}\n`);
  pino({ level: process.env.LOG_LEVEL ?? 'info' }).debug({ err: failure });
  process.exitCode = 1;
  if (process.connected) process.disconnect();
  setTimeout(() => process.exit(1), 100).unref();
});
