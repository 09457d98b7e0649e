/** Where things are. */
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..');
export const DATA_DIR = path.resolve(process.env.LQ_DATA_DIR || path.join(ROOT, '.data'));
export const SERVER_MAIN = path.join(ROOT, 'packages/server/dist/main.js');
export const WEB_DIST = path.join(ROOT, 'packages/web/dist');
export const DEMO_DIR = path.join(ROOT, 'demo');
export const STARTER_DIR = path.join(ROOT, 'starter');

// Whoever read what is said may have gone, with the terminal or at the other end of a pipe: the shop goes on.
process.stdout.on('error', () => {});

export function say(text) {
  process.stdout.write(`${text}\n`);
}

/** Ends the program with a message for the person who started it. */
export class Stop extends Error {}

/** Runs a script's main function; what stops it is printed without a stack when it was meant for a person. */
export async function runMain(main) {
  try {
    process.exitCode = (await main()) ?? process.exitCode ?? 0;
  } catch (error) {
    process.stderr.write(`${error instanceof Stop ? error.message : (error.stack ?? error)}\n`);
    process.exitCode = 1;
  }
}
