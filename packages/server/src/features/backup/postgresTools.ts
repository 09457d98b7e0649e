/** PostgreSQL's own programs, as they stand beside the server or in the path. The password goes by the environment. */
import { spawn } from 'node:child_process';
import path from 'node:path';

export type Tools = { readonly binDir: string | null; readonly databaseUrl: string };

/** @throws with the program's own last words */
export async function runTool(
  { binDir, databaseUrl }: Tools,
  name: 'pg_dump' | 'pg_restore' | 'psql',
  args: readonly string[],
  { connects = true } = {},
): Promise<string> {
  const url = new URL(databaseUrl);
  const env = {
    ...process.env,
    PGHOST: url.hostname,
    PGPORT: url.port || '5432',
    PGUSER: decodeURIComponent(url.username),
    PGPASSWORD: decodeURIComponent(url.password),
    PGDATABASE: decodeURIComponent(url.pathname.slice(1)),
  };
  const child = spawn(binDir ? path.join(binDir, name) : name, args, {
    env: connects ? env : process.env,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const output: string[] = [];
  const words: string[] = [];
  child.stdout.on('data', (chunk: Buffer) => output.push(chunk.toString()));
  child.stderr.on('data', (chunk: Buffer) => words.push(chunk.toString()));
  const code = await new Promise<number | null>((resolve, reject) => {
    child.once('error', reject);
    child.once('close', resolve);
  }).catch((error: unknown) => {
    throw new Error(`${name} could not be started. It is in Debian's package postgresql-client.`, { cause: error });
  });
  if (code !== 0) throw new Error(`${name} ended with ${code}: ${words.join('').trim().slice(-600)}`);
  return output.join('');
}
