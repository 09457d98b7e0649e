/**
 * The pictures as files beside the database, each named by the SHA-256 of what is in it: sent twice it is there once, and whether one is
 * damaged can be told from its name. Small ones for lists are made when they are first asked for.
 */
import { createHash, randomBytes } from 'node:crypto';
import { mkdir, open, readdir, readFile, rename, rm, stat, utimes } from 'node:fs/promises';
import path from 'node:path';
import type { Picture } from '@low-quarry/core/contracts/photos';
import { pictureHashSchema } from '@low-quarry/core/model';
import { cleanPicture, sizeOfPicture, smallPicture } from './cleanPicture';

const PICTURE = /^([0-9a-f]{64})\.jpg$/;
const SMALL = '.small.jpg';
const PARTIAL = '.partial';

export type PictureFile = { readonly hash: string; readonly bytes: number; readonly changedAt: Date };

export class PictureFiles {
  /** One after the other: each is unpacked whole, and many large ones at once would not fit into memory. */
  private busy: Promise<unknown> = Promise.resolve();

  constructor(private readonly dir: string) {}

  /** Takes away what a program that was killed left half written. */
  async cleanUp(): Promise<void> {
    for (const folder of await readdir(this.dir).catch(() => [])) {
      for (const name of await readdir(path.join(this.dir, folder)).catch(() => []))
        if (name.endsWith(PARTIAL)) await rm(path.join(this.dir, folder, name), { force: true });
    }
  }

  /**
   * Keeps a picture somebody sent.
   *
   * @throws AppError where it is none
   */
  async take(bytes: Buffer): Promise<Picture> {
    const cleaning = this.busy.then(() => cleanPicture(bytes));
    // What is wrong with one is told to who sent it, and is nothing to the next.
    this.busy = cleaning.catch(() => {});
    const { jpeg, widthPx, heightPx } = await cleaning;
    const hash = sha256(jpeg);
    const file = this.fileOf(hash);
    // One that lay here unused is used again: it must not be taken away now. One that was damaged is put right.
    if (await this.read(hash)) await utimes(file, new Date(), new Date());
    else await this.write(file, jpeg);
    return { hash, widthPx, heightPx, bytes: jpeg.length };
  }

  /** Keeps the picture of a backup; one that is there and not damaged stays. @param hash it was found to have */
  async keep(hash: string, jpeg: Buffer): Promise<void> {
    if (!(await this.read(hash))) await this.write(this.fileOf(hash), jpeg);
  }

  /** Null where it is not there. */
  async find(hash: string): Promise<Picture | null> {
    const jpeg = await this.read(hash);
    return jpeg && { hash, ...(await sizeOfPicture(jpeg)), bytes: jpeg.length };
  }

  /** Null where it is not there, or is not what its name says. */
  async read(hash: string): Promise<Buffer | null> {
    const jpeg = await readIfThere(this.fileOf(hash));
    return jpeg && sha256(jpeg) === hash ? jpeg : null;
  }

  /** Made where it is not there yet; null where the picture is not. */
  async readSmall(hash: string): Promise<Buffer | null> {
    const file = this.fileOf(hash, SMALL);
    const known = await readIfThere(file);
    if (known) return known;
    const jpeg = await this.read(hash);
    if (!jpeg) return null;
    const small = await smallPicture(jpeg);
    await this.write(file, small);
    return small;
  }

  async list(): Promise<readonly PictureFile[]> {
    const folders = await readdir(this.dir).catch(() => []);
    const found: PictureFile[] = [];
    for (const folder of folders) {
      for (const name of await readdir(path.join(this.dir, folder)).catch(() => [])) {
        const [, hash] = PICTURE.exec(name) ?? [];
        if (!hash) continue;
        // One that was taken away meanwhile is not there.
        const there = await stat(this.fileOf(hash)).catch(() => null);
        if (there) found.push({ hash, bytes: there.size, changedAt: there.mtime });
      }
    }
    return found;
  }

  async remove(hash: string): Promise<void> {
    await rm(this.fileOf(hash, SMALL), { force: true });
    await rm(this.fileOf(hash), { force: true });
  }

  /** @throws when that is no hash: nothing of a path can be in one */
  private fileOf(hash: string, ending = '.jpg'): string {
    const name = pictureHashSchema.parse(hash);
    return path.join(this.dir, name.slice(0, 2), `${name}${ending}`);
  }

  /** Whole or not at all: under another name until it is on the disk. */
  private async write(file: string, bytes: Buffer): Promise<void> {
    await mkdir(path.dirname(file), { recursive: true, mode: 0o700 });
    const partial = `${file}.${randomBytes(4).toString('hex')}${PARTIAL}`;
    try {
      const handle = await open(partial, 'wx', 0o600);
      try {
        await handle.writeFile(bytes);
        await handle.sync();
      } finally {
        await handle.close();
      }
      await rename(partial, file);
    } catch (error) {
      await rm(partial, { force: true });
      throw error;
    }
  }
}

export function sha256(bytes: Buffer): string {
  return createHash('sha256').update(bytes).digest('hex');
}

async function readIfThere(file: string): Promise<Buffer | null> {
  try {
    return await readFile(file);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return null;
    throw error;
  }
}
