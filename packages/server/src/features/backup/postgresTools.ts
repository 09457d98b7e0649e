/** PostgreSQL's own program for reading its dumps, as it stands beside the server or in the path. It is given no database. */
import { spawn } from 'node:child_process';
import path from 'node:path';

export type Tools = { readonly binDir: string | null };

const LONGEST_MS = 10 * 60_000;
const MOST_WORDS = 4000;

/** @throws with the program's own last words, also when it does not come to an end */
export async function runTool({ binDir }: Tools, name: 'pg_restore', args: readonly string[]): Promise<void> {
  const child = spawn(binDir ? path.join(binDir, name) : name, args, {
    env: { PATH: process.env.PATH },
    stdio: ['ignore', 'ignore', 'pipe'],
    timeout: LONGEST_MS,
    killSignal: 'SIGKILL',
  });
  let words = '';
  child.stderr.on('data', (chunk: Buffer) => {
    words = (words + chunk.toString()).slice(-MOST_WORDS);
  });
  const [code, signal] = await new Promise<[number | null, string | null]>((resolve, reject) => {
    child.once('error', reject);
    child.once('close', (exit, by) => resolve([exit, by]));
  }).catch((error: unknown) => {
    throw new Error(`${name} could not be started. It is in Debian's package postgresql-client.`, { cause: error });
  });
  if (signal) throw new Error(`${name} did not come to an end and was stopped.`);
  if (code !== 0) throw new Error(`${name} ended with ${code}: ${words.trim().slice(-600)}`);
}
