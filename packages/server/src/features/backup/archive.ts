/**
 * A backup as one file: a tar (POSIX.1-2001, ustar) with a manifest first, then the database as `pg_dump` wrote it. The
 * manifest holds size and SHA-256 of each part and the version of everything, so that a damaged or newer archive is known
 * before anything is touched.
 */
import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdir, open, rename, rm, stat } from 'node:fs/promises';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import { extract, pack } from 'tar-stream';
import { z } from 'zod';

export const ARCHIVE_VERSION = 1;
const MANIFEST = 'manifest.json';
const MOST_MANIFEST_BYTES = 1_000_000;

const partSchema = z.object({
  name: z
    .string()
    .regex(/^[a-z0-9][a-z0-9./-]*$/, 'a plain file name would do')
    .refine((name) => !name.includes('..')),
  bytes: z.int().min(0),
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
});
const manifestSchema = z.object({
  format: z.literal('low-quarry-backup'),
  version: z.int(),
  madeAt: z.iso.datetime(),
  shopName: z.string(),
  /** The last migration of the database that is in it. */
  schema: z.string(),
  parts: z.array(partSchema),
});
export type Manifest = z.infer<typeof manifestSchema>;

/** An archive that cannot be taken, and why. */
export class ArchiveError extends Error {
  constructor(message: string, options?: ErrorOptions) {
    super(message, options);
    this.name = 'ArchiveError';
  }
}

export type Part = { readonly name: string; readonly file: string };

/** Writes the archive whole or not at all: under another name until it is on the disk. */
export async function writeArchive(
  to: string,
  about: Pick<Manifest, 'madeAt' | 'shopName' | 'schema'>,
  parts: readonly Part[],
): Promise<void> {
  const described = await Promise.all(
    parts.map(async ({ name, file }) => ({ name, bytes: (await stat(file)).size, sha256: await sha256Of(file) })),
  );
  const manifest: Manifest = { format: 'low-quarry-backup', version: ARCHIVE_VERSION, ...about, parts: described };
  const partial = `${to}.partial`;
  const tar = pack();
  const written = pipeline(tar, createWriteStream(partial, { mode: 0o600 }));
  // A tar that stops half-way fails the pipeline too; the first failure is the one to tell.
  written.catch(() => {});
  try {
    tar.entry({ name: MANIFEST }, JSON.stringify(manifest, null, 1));
    for (const [at, { name, bytes }] of described.entries()) {
      const entry = tar.entry({ name, size: bytes });
      await pipeline(createReadStream((parts[at] as Part).file), entry);
    }
    tar.finalize();
    await written;
    await flush(partial);
    await rename(partial, to);
  } catch (error) {
    tar.destroy();
    await rm(partial, { force: true });
    throw error;
  }
}

/**
 * Reads an archive into a folder, and takes nothing of it for granted.
 *
 * @returns the manifest; every part that it names is in the folder, as it was written
 * @throws ArchiveError when it is damaged, of another kind, or made by a newer program
 */
export async function readArchive(file: string, into: string): Promise<Manifest> {
  let manifest: Manifest | null = null;
  const seen = new Set<string>();
  const tar = extract();
  const reading = (async () => {
    for await (const entry of tar) {
      const { name } = entry.header;
      if (manifest === null) {
        if (name !== MANIFEST) throw new ArchiveError(`This is no backup of Low Quarry: it begins with "${name}".`);
        manifest = readManifest(await textOf(entry));
        continue;
      }
      const part = manifest.parts.find((each) => each.name === name);
      if (!part || seen.has(name)) throw new ArchiveError(`The backup is damaged: "${name}" does not belong in it.`);
      seen.add(name);
      const to = path.join(into, name);
      await mkdir(path.dirname(to), { recursive: true });
      const { bytes, sha256 } = await copyTo(to, entry);
      if (bytes !== part.bytes || sha256 !== part.sha256) {
        throw new ArchiveError(`The backup is damaged: "${name}" is not as it was written.`);
      }
    }
  })();
  try {
    await Promise.all([pipeline(createReadStream(file), tar), reading]);
  } catch (error) {
    // Tearing the stream down makes the other side fail too; what the archive itself was found guilty of is told.
    const found = await reading.then(
      () => error,
      (failure: unknown) => (failure instanceof ArchiveError ? failure : error),
    );
    if (found instanceof ArchiveError) throw found;
    if (isOfTheSystem(found)) throw found;
    throw new ArchiveError('The backup is damaged: it cannot be read to its end.', { cause: found });
  }
  if (manifest === null) throw new ArchiveError('This is no backup of Low Quarry: it is empty.');
  const missing = (manifest as Manifest).parts.find(({ name }) => !seen.has(name));
  if (missing) throw new ArchiveError(`The backup is damaged: "${missing.name}" is missing.`);
  return manifest;
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

async function textOf(entry: AsyncIterable<unknown>): Promise<string> {
  const chunks: Buffer[] = [];
  let bytes = 0;
  for await (const each of entry) {
    const chunk = each as Buffer;
    bytes += chunk.length;
    if (bytes > MOST_MANIFEST_BYTES) throw new ArchiveError('The backup is damaged: its manifest is too large.');
    chunks.push(chunk);
  }
  return Buffer.concat(chunks).toString('utf8');
}

/** Writes an entry to a file, and says what was written. A torn stream fails here, where a pipeline would wait for its end. */
async function copyTo(file: string, entry: AsyncIterable<unknown>): Promise<{ bytes: number; sha256: string }> {
  const hash = createHash('sha256');
  const handle = await open(file, 'w', 0o600);
  let bytes = 0;
  try {
    for await (const each of entry) {
      const chunk = each as Buffer;
      bytes += chunk.length;
      hash.update(chunk);
      await handle.write(chunk);
    }
  } finally {
    await handle.close();
  }
  return { bytes, sha256: hash.digest('hex') };
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

/** No such file, no room, no right: nothing is wrong with the archive. */
function isOfTheSystem(error: unknown): boolean {
  return error instanceof Error && 'code' in error && /^(ENOENT|ENOSPC|EACCES|EIO|EMFILE)$/.test(String(error.code));
}
