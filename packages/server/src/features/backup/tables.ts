/**
 * The tables of a shop as data: written by COPY … TO, read by COPY … FROM STDIN, which takes values and nothing else. What is
 * read comes in under the server's own login, which may not even make a table.
 */
import { createReadStream, createWriteStream } from 'node:fs';
import path from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import type pg from 'pg';
import * as copy from 'pg-copy-streams';
import { countOn } from '../../db/countOn';
import { withClient } from '../../db/withClient';
import type { Progress } from '../../work/Progress';
import { ArchiveError, type Part, type TablePart } from './archive';

/**
 * In an order in which every row finds what it refers to. Sessions, answers to lost requests and counted guesses belong to the
 * moment, not to the shop.
 */
export const TABLES = [
  'shop',
  'person',
  'device',
  'connector',
  'part',
  'vehicle',
  'job',
  'opening',
  'choice',
  'photo',
  'shelf_lot',
  'change',
  'import_part',
] as const;

/** Columns that the database makes from the others: they are not taken out, and made anew when the others come in. */
const MADE: Readonly<Partial<Record<(typeof TABLES)[number], readonly string[]>>> = {
  connector: ['revision'],
  part: ['revision', 'label', 'words', 'from_connector_id', 'to_connector_id'],
  vehicle: ['words'],
  change: ['words'],
};

export type Dumped = {
  readonly parts: readonly Part[];
  readonly shopName: string;
  readonly schema: string;
  /** Of the pictures of photos. */
  readonly hashes: ReadonlySet<string>;
};

/** Writes every table into a folder, all as they were at one moment. */
export async function dumpTables(url: string, folder: string, { say, signal }: Progress): Promise<Dumped> {
  return withClient(url, async (client) => {
    await client.query('BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY');
    const parts: Part[] = [];
    for (const [at, table] of TABLES.entries()) {
      signal.throwIfAborted();
      say(`Writing table ${at + 1} of ${TABLES.length}`, at / TABLES.length);
      const columns = await columnsOf(client, table);
      if (columns.length > 0) parts.push(await dumpTable(client, table, columns, folder));
    }
    const { rows } = await client.query(`SELECT "settings" ->> 'name' AS "name" FROM "shop"`);
    const last = await client.query(`SELECT "name" FROM "migrations" ORDER BY "timestamp" DESC LIMIT 1`);
    const pictures = await client.query<{ hash: string }>('SELECT DISTINCT "hash" FROM "photo"');
    await client.query('COMMIT');
    const hashes = new Set(pictures.rows.map(({ hash }) => hash));
    return { parts, shopName: rows[0]?.name ?? 'a new shop', schema: last.rows[0]?.name ?? '', hashes };
  });
}

async function dumpTable(client: pg.Client, table: string, columns: string[], folder: string): Promise<Part> {
  const name = `${table}.copy.gz`;
  const file = path.join(folder, name);
  const counted = countPlain();
  const source = client.query(copy.to(`COPY "${table}" (${quoted(columns)}) TO STDOUT`));
  await pipeline(source, counted.through, createGzip({ level: 6 }), createWriteStream(file, { mode: 0o600 }));
  return { name, file, table, columns, rows: source.rowCount, plainBytes: counted.bytes() };
}

/** A table to be brought in: pressed when it comes from an archive of today's form. */
export type Incoming = Pick<TablePart, 'table' | 'columns'> & {
  readonly file: string;
  /** How many rows and bytes are in it, where that is written down. */
  readonly expected: { readonly rows: number; readonly plainBytes: number } | null;
};

/**
 * Fills the tables of a new database, in one transaction.
 *
 * @throws ArchiveError where a value does not fit, a column is not there, or the rows are not as many as were written
 */
export async function loadTables(url: string, incoming: readonly Incoming[], { say, signal }: Progress): Promise<void> {
  await withClient(url, async (client) => {
    await client.query('BEGIN');
    await client.query(`SET LOCAL "lq.schema" = '9223372036854775807'`);
    for (const [at, table] of TABLES.entries()) {
      signal.throwIfAborted();
      say(`Reading table ${at + 1} of ${TABLES.length} into a database for trial`, at / TABLES.length);
      const found = incoming.find((each) => each.table === table);
      if (found) await loadTable(client, table, found);
      else if ((await columnsOf(client, table)).length > 0)
        throw new ArchiveError(`The backup is damaged: table ${table} is missing.`);
    }
    await countOn((sql) => client.query(sql));
    await client.query('COMMIT');
  });
}

async function loadTable(
  client: pg.Client,
  table: (typeof TABLES)[number],
  { columns, file, expected }: Incoming,
): Promise<void> {
  const known = new Set(await columnsOf(client, table));
  const strange = columns.find((column) => !known.has(column));
  if (strange) throw new ArchiveError(`The backup is damaged: table ${table} has no "${strange}".`);
  const target = client.query(copy.from(`COPY "${table}" (${quoted(columns)}) FROM STDIN`));
  const most = countPlain(expected?.plainBytes ?? Number.POSITIVE_INFINITY);
  const plain = expected ? [createReadStream(file), createGunzip()] : [createReadStream(file)];
  try {
    await pipeline([...plain, most.through, target]);
  } catch (error) {
    if (isOfTheSystem(error)) throw error;
    const why = error instanceof Error ? error.message : String(error);
    throw new ArchiveError(`The backup is damaged: table ${table} cannot be read (${why}).`, { cause: error });
  }
  if (expected && target.rowCount !== expected.rows) {
    throw new ArchiveError(
      `The backup is damaged: table ${table} has ${target.rowCount} rows, and ${expected.rows} were written.`,
    );
  }
}

async function columnsOf(client: pg.Client, table: (typeof TABLES)[number]): Promise<string[]> {
  const { rows } = await client.query(
    `SELECT column_name AS name FROM information_schema.columns
      WHERE table_schema = 'public' AND table_name = $1 ORDER BY ordinal_position`,
    [table],
  );
  const made = MADE[table] ?? [];
  return rows.map(({ name }) => name).filter((name) => !made.includes(name));
}

function quoted(columns: readonly string[]): string {
  return columns.map((column) => `"${column.replaceAll('"', '""')}"`).join(', ');
}

function countPlain(most = Number.POSITIVE_INFINITY): { readonly through: Transform; readonly bytes: () => number } {
  let bytes = 0;
  const through = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      bytes += chunk.length;
      done(bytes > most ? new Error('it is longer than it says') : null, chunk);
    },
  });
  return { through, bytes: () => bytes };
}

/** No room, no right, no connection: nothing is wrong with the archive. */
function isOfTheSystem(error: unknown): boolean {
  const code = error instanceof Error && 'code' in error ? String(error.code) : '';
  return /^(ENOENT|ENOSPC|EACCES|EIO|EMFILE|ECONNRESET|ECONNREFUSED|EPIPE|08...|53...|57P..)$/.test(code);
}
