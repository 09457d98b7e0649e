/**
 * Takes the tables out of a dump of `pg_dump`, as archives of version 1 hold it. `pg_restore` turns it into a script, without a
 * connection to any database; of that script only the values between `COPY … FROM stdin;` and `\.` are taken, for tables of the
 * shop. No line of it is executed: a dump can hold any statement.
 */
import { createReadStream } from 'node:fs';
import { type FileHandle, open } from 'node:fs/promises';
import path from 'node:path';
import { ArchiveError } from './archive';
import { runTool, type Tools } from './postgresTools';
import { type Incoming, TABLES } from './tables';

const COPY = /^COPY public\."?([a-z_]+)"? \(([a-z_", ]+)\) FROM stdin;$/;
const END = '\\.';

/** @param folder where the dump is, and where the tables go */
export async function readDump(tools: Tools, dump: string, folder: string): Promise<readonly Incoming[]> {
  const script = path.join(folder, 'dump.sql');
  await runTool(tools, 'pg_restore', ['--data-only', '--no-owner', '--no-privileges', '--file', script, dump]).catch(
    (error: unknown) => {
      throw new ArchiveError('The backup is damaged: its database cannot be read.', { cause: error });
    },
  );
  const found: Incoming[] = [];
  let into: FileHandle | null = null;
  let isInside = false;
  try {
    for await (const line of linesOf(script)) {
      if (isInside) {
        if (line === END) {
          await into?.close();
          into = null;
          isInside = false;
        } else if (into) await into.writeFile(`${line}\n`);
        continue;
      }
      const head = COPY.exec(line);
      if (!head) continue;
      isInside = true;
      const [, table = '', columns = ''] = head;
      if (!TABLES.some((each) => each === table) || found.some((each) => each.table === table)) continue;
      const file = path.join(folder, `${table}.copy`);
      into = await open(file, 'w', 0o600);
      found.push({ table, columns: columns.replaceAll('"', '').split(', '), file, expected: null });
    }
  } finally {
    await into?.close();
  }
  if (isInside || !found.some(({ table }) => table === 'shop')) {
    throw new ArchiveError('The backup is damaged: its database cannot be read to its end.');
  }
  return found;
}

/** By line feeds alone: within a value they are written as `\\n`, while other line separators stand as they are. */
async function* linesOf(file: string): AsyncGenerator<string> {
  let rest = '';
  for await (const chunk of createReadStream(file, 'utf8')) {
    const lines = `${rest}${chunk}`.split('\n');
    rest = lines.pop() ?? '';
    yield* lines;
  }
  if (rest !== '') yield rest;
}
