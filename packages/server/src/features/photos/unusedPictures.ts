/** Which pictures nothing uses any more, and their end. */
import type { countPictures } from '@low-quarry/core/contracts/photos';
import type { EntityManager } from 'typeorm';
import type { z } from 'zod';
import { PhotosStore } from './PhotosStore';
import type { PictureFiles } from './PictureFiles';

/** One that was only just sent is about to be used; one that waits on a device is sent again with its photo. */
const YOUNG_MS = 86_400_000;

export async function countAllPictures(
  manager: EntityManager,
  pictures: PictureFiles,
): Promise<z.output<typeof countPictures.answer>> {
  const used = await new PhotosStore(manager).listHashes('used');
  const files = await pictures.list();
  const there = new Set(files.map(({ hash }) => hash));
  const unused = files.filter(({ hash }) => !used.has(hash));
  const bytesOf = (list: typeof files) => list.reduce((sum, { bytes }) => sum + bytes, 0);
  return {
    files: files.length,
    bytes: bytesOf(files),
    unusedFiles: unused.length,
    unusedBytes: bytesOf(unused),
    missing: [...used].filter((hash) => !there.has(hash)).length,
  };
}

/**
 * Takes away the files of no photo, neither of one that is on its record nor of one that could be brought back.
 *
 * @returns how many those were
 */
export async function removeUnusedPictures(manager: EntityManager, pictures: PictureFiles, now: Date): Promise<number> {
  // Listed before what is used is asked for: what is sent between the two is not in the list.
  const files = await pictures.list();
  const all = await new PhotosStore(manager).listHashes('all');
  const over = files.filter(({ hash, changedAt }) => !all.has(hash) && now.getTime() - changedAt.getTime() > YOUNG_MS);
  for (const { hash } of over) await pictures.remove(hash);
  return over.length;
}
