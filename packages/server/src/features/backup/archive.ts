/**
 * A backup as one file: a tar with a manifest first, then each table of the shop as PostgreSQL's COPY writes it (text format),
 * pressed with gzip. The manifest holds size and SHA-256 of each part, how many rows it has, and the schema that they fit, so that a
 * damaged or newer archive is known before anything is touched. Nothing in it is ever executed: it is data only. After the tables come the
 * pictures of photos, each under the SHA-256 of what is in it.
 *
 * Version 2 held no pictures; version 1 a dump of `pg_dump` instead of the tables. Both are still read (`readDump`).
 */
import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { type FileHandle, open, rename, rm, stat } from 'node:fs/promises';
import path from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { pack } from 'tar-stream';
import { z } from 'zod';
import { listTar, type TarEntry, TarError } from './tarReader';

export const ARCHIVE_VERSION = 3;
const MANIFEST = 'manifest.json';
/** A line for each of a million pictures. */
const MOST_MANIFEST_BYTES = 100_000_000;
const PICTURE_ENDING = '.jpg';

const name = z
  .string()
  .max(100)
  .regex(/^[a-z0-9][a-z0-9._-]*$/, 'use a plain file name');
const sized = { name, bytes: z.int().min(0), sha256: z.string().regex(/^[0-9a-f]{64}$/) };
const identifier = z.string().regex(/^[a-z][a-z0-9_]{0,62}$/);
const tableSchema = z.object({
  ...sized,
  table: identifier,
  columns: z.array(identifier).min(1).max(100),
  rows: z.int().min(0),
  /** Before it was pressed: more than that is not unpacked. */
  plainBytes: z.int().min(0),
});
const pictureSchema = z.object({ sha256: sized.sha256, bytes: sized.bytes });
export type PicturePart = z.infer<typeof pictureSchema>;
const common = {
  format: z.literal('low-quarry-backup'),
  madeAt: z.iso.datetime(),
  shopName: z.string().max(200),
  /** The last migration of the database that is in it. */
  schema: z.string().max(200),
};
const manifestSchema = z.discriminatedUnion('version', [
  z.object({ ...common, version: z.literal(1), parts: z.array(z.object(sized)).max(10) }),
  z.object({ ...common, version: z.literal(2), parts: z.array(tableSchema).max(100) }),
  z.object({
    ...common,
    version: z.literal(3),
    parts: z.array(tableSchema).max(100),
    pictures: z.array(pictureSchema).max(1_000_000),
  }),
]);
export type Manifest = z.infer<typeof manifestSchema>;
export type TablePart = z.infer<typeof tableSchema>;

/** An archive that cannot be taken, and why. */
export class ArchiveError extends Error {
  constructor(message: string, options?: ErrorOptions) {
    super(message, options);
    this.name = 'ArchiveError';
  }
}

/** A part to be written: its file, and what the manifest says of it besides size and sum. */
export type Part = { readonly file: string } & Pick<TablePart, 'name' | 'table' | 'columns' | 'rows' | 'plainBytes'>;

/** The pictures that go into an archive, or come out of one. */
export type Pictures = {
  readonly list: readonly PicturePart[];
  /** @throws when it is not there any more */
  readonly read: (sha256: string) => Promise<Buffer>;
};

/** Is given each picture of an archive that is as it was written. */
export type TakePicture = (sha256: string, bytes: Buffer) => Promise<void>;

/** Writes the archive whole or not at all: under another name until it is on the disk. */
export async function writeArchive(
  to: string,
  about: Pick<Manifest, 'madeAt' | 'shopName' | 'schema'>,
  parts: readonly Part[],
  pictures: Pictures,
): Promise<void> {
  const described = await Promise.all(
    parts.map(async ({ file, ...part }) => ({
      ...part,
      columns: [...part.columns],
      bytes: (await stat(file)).size,
      sha256: await sha256Of(file),
    })),
  );
  const manifest: Manifest = {
    format: 'low-quarry-backup',
    version: ARCHIVE_VERSION,
    ...about,
    parts: described,
    pictures: [...pictures.list],
  };
  const partial = `${to}.partial`;
  const tar = pack();
  const written = pipeline(tar, createWriteStream(partial, { mode: 0o600 }));
  // A tar that stops half-way fails the pipeline too; the first failure is the one to tell.
  written.catch(() => {});
  try {
    tar.entry({ name: MANIFEST }, JSON.stringify(manifest, null, 1));
    for (const [at, part] of described.entries()) {
      const entry = tar.entry({ name: part.name, size: part.bytes });
      await pipeline(createReadStream((parts[at] as Part).file), entry);
    }
    for (const { sha256, bytes } of pictures.list) {
      const entry = tar.entry({ name: `${sha256}${PICTURE_ENDING}`, size: bytes });
      await pipeline(Readable.from([await pictures.read(sha256)], { objectMode: false }), entry);
    }
    tar.finalize();
    await written;
    await flush(partial);
    await rename(partial, to);
    await flush(path.dirname(to));
  } catch (error) {
    tar.destroy();
    await rm(partial, { force: true });
    throw error;
  }
}

/**
 * Reads an archive into a folder, and takes nothing of it for granted.
 *
 * @param takePicture is given the pictures one after the other, once all tables were found to be as they were written
 * @returns the manifest; every part that it names is in the folder, as it was written
 * @throws ArchiveError when it is damaged, of another kind, or made by a newer program
 */
export async function readArchive(
  file: string,
  into: string,
  takePicture: TakePicture = async () => {},
): Promise<Manifest> {
  const handle = await open(file, 'r');
  try {
    const [first, ...rest] = await listTar(handle);
    if (!first) throw new ArchiveError('This is no backup of Low Quarry: it is empty.');
    if (first.name !== MANIFEST) {
      throw new ArchiveError(`This is no backup of Low Quarry: it begins with "${first.name}".`);
    }
    const manifest = readManifest(await readText(handle, first));
    const expected = [...manifest.parts, ...picturesIn(manifest)];
    requireSameParts(expected, rest);
    for (const [at, entry] of rest.entries()) {
      const { sha256 } = expected[at] as Expected;
      if (at < manifest.parts.length) {
        if ((await copyOut(handle, entry, path.join(into, entry.name))) !== sha256) throw notAsWritten(entry);
      } else {
        const bytes = await readWhole(handle, entry);
        if (createHash('sha256').update(bytes).digest('hex') !== sha256) throw notAsWritten(entry);
        await takePicture(sha256, bytes);
      }
    }
    return manifest;
  } catch (error) {
    if (error instanceof TarError) throw new ArchiveError(`The backup is damaged: ${error.message}`);
    throw error;
  } finally {
    await handle.close();
  }
}

type Expected = { readonly name: string; readonly bytes: number; readonly sha256: string };

function picturesIn(manifest: Manifest): readonly Expected[] {
  if (manifest.version !== 3) return [];
  return manifest.pictures.map((picture) => ({ ...picture, name: `${picture.sha256}${PICTURE_ENDING}` }));
}

function notAsWritten({ name: found }: Pick<TarEntry, 'name'>): ArchiveError {
  return new ArchiveError(`The backup is damaged: "${found}" is not as it was written.`);
}

function requireSameParts(parts: readonly Expected[], entries: readonly TarEntry[]): void {
  for (const [at, entry] of entries.entries()) {
    const { name: found, bytes } = entry;
    const part = parts[at];
    if (part?.name !== found) throw new ArchiveError(`The backup is damaged: "${found}" does not belong in it.`);
    if (part.bytes !== bytes) throw notAsWritten(entry);
  }
  const missing = parts[entries.length];
  if (missing) throw new ArchiveError(`The backup is damaged: "${missing.name}" is missing.`);
}

function readManifest(text: string): Manifest {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    throw new ArchiveError('The backup is damaged: its manifest cannot be read.', { cause: error });
  }
  const { version } = z.object({ version: z.int() }).catch({ version: 0 }).parse(json);
  if (version > ARCHIVE_VERSION) {
    throw new ArchiveError(
      `The backup was made by a newer program (version ${version}; this one reads up to ${ARCHIVE_VERSION}).`,
    );
  }
  const manifest = manifestSchema.safeParse(json);
  if (manifest.success) return manifest.data;
  const [first] = manifest.error.issues;
  throw new ArchiveError(`The backup is damaged: manifest, ${first?.path.join('.')}: ${first?.message}.`);
}

async function readText(handle: FileHandle, entry: TarEntry): Promise<string> {
  if (entry.bytes > MOST_MANIFEST_BYTES) throw new ArchiveError('The backup is damaged: its manifest is too large.');
  return (await readWhole(handle, entry)).toString('utf8');
}

/** A picture, or the manifest; of a tar that ends in it the rest is empty, and its sum another. */
async function readWhole(handle: FileHandle, { name: found, start, bytes }: TarEntry): Promise<Buffer> {
  if (bytes > MOST_MANIFEST_BYTES) throw new ArchiveError(`The backup is damaged: "${found}" is too large.`);
  const buffer = Buffer.alloc(bytes);
  await handle.read(buffer, 0, bytes, start);
  return buffer;
}

/** Writes an entry to a file; gives its sum. */
async function copyOut(handle: FileHandle, { start, bytes }: TarEntry, to: string): Promise<string> {
  const hash = createHash('sha256');
  const target = await open(to, 'w', 0o600);
  const buffer = Buffer.alloc(Math.min(bytes, 1 << 20));
  try {
    for (let done = 0; done < bytes; ) {
      const { bytesRead } = await handle.read(buffer, 0, Math.min(buffer.length, bytes - done), start + done);
      if (bytesRead === 0) throw new TarError('it ends in the middle.');
      const chunk = buffer.subarray(0, bytesRead);
      hash.update(chunk);
      await target.writeFile(chunk);
      done += bytesRead;
    }
  } finally {
    await target.close();
  }
  return hash.digest('hex');
}

async function sha256Of(file: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  return hash.digest('hex');
}

async function flush(file: string): Promise<void> {
  const handle = await open(file, 'r');
  await handle.sync();
  await handle.close();
}
