/** Photos in the database. */
import { type Photo, photoSchema } from '@low-quarry/core/contracts/photos';
import type { PhotoNotes, PhotoOf, PhotoSubject } from '@low-quarry/core/model';
import { type EntityManager, IsNull, LessThan, Not } from 'typeorm';
import { PhotoEntity, type PhotoRow } from './PhotoEntity';

export type NewPhoto = Omit<Photo, 'version' | 'addedAt'> & { readonly bytes: number; readonly addedAt: Date };

export class PhotosStore {
  constructor(private readonly manager: EntityManager) {}

  /** Those that are on it, the first first; of a job those of its openings too. One that cannot be read is counted, and hides no other. */
  async list(of: PhotoOf, recordId: string): Promise<{ photos: Photo[]; unreadable: number }> {
    const whose = of === 'job' ? { job_id: recordId } : { of, record_id: recordId };
    const rows = await this.manager.find(PhotoEntity, {
      where: { ...whose, removed_at: IsNull() },
      order: { added_at: 'ASC', id: 'ASC' },
    });
    const read = rows.map((row) => photoSchema.safeParse(toPhoto(row)));
    const photos = read.flatMap(({ data }) => data ?? []);
    return { photos, unreadable: rows.length - photos.length };
  }

  count({ of, recordId }: Pick<PhotoSubject, 'of' | 'recordId'>): Promise<number> {
    return this.manager.countBy(PhotoEntity, { of, record_id: recordId, removed_at: IsNull() });
  }

  async find(id: string, where: 'there' | 'removed' = 'there'): Promise<Photo | null> {
    const removed_at = where === 'there' ? IsNull() : Not(IsNull());
    const row = await this.manager.findOneBy(PhotoEntity, { id, removed_at });
    return row && toPhoto(row);
  }

  async insert(photo: NewPhoto): Promise<void> {
    const { recordId, jobId, widthPx, heightPx, addedAt, addedBy, ...same } = photo;
    await this.manager.insert(PhotoEntity, {
      ...same,
      record_id: recordId,
      job_id: jobId,
      width_px: widthPx,
      height_px: heightPx,
      added_at: addedAt,
      added_by: addedBy,
    });
  }

  /** Changes a photo that still has the given version; tells whether it did. So do those below. */
  change(id: string, version: number, { caption, marks }: PhotoNotes): Promise<boolean> {
    return this.update(id, version, { caption, marks });
  }

  remove(id: string, version: number, at: Date): Promise<boolean> {
    return this.update(id, version, { removed_at: at });
  }

  putBack(id: string, version: number, { caption, marks }: PhotoNotes): Promise<boolean> {
    return this.update(id, version, { caption, marks, removed_at: null });
  }

  async listRemovedBefore(moment: Date): Promise<Photo[]> {
    return (await this.manager.findBy(PhotoEntity, { removed_at: LessThan(moment) })).map(toPhoto);
  }

  async purge(id: string): Promise<void> {
    await this.manager.delete(PhotoEntity, { id });
  }

  /** The pictures of all photos. @param which used: only of those that are on their records */
  async listHashes(which: 'used' | 'all'): Promise<ReadonlySet<string>> {
    const rows: { hash: string }[] = await this.manager.query(
      `SELECT DISTINCT "hash" FROM "photo" ${which === 'used' ? 'WHERE "removed_at" IS NULL' : ''}`,
    );
    return new Set(rows.map(({ hash }) => hash));
  }

  private async update(id: string, version: number, change: Partial<PhotoRow>): Promise<boolean> {
    const { job: _, ...columns } = change;
    const { affected } = await this.manager.update(PhotoEntity, { id, version }, { ...columns, version: version + 1 });
    return affected === 1;
  }
}

export function toPhoto(row: PhotoRow): Photo {
  return {
    id: row.id,
    version: row.version,
    of: row.of,
    recordId: row.record_id,
    place: row.place,
    jobId: row.job_id,
    hash: row.hash,
    widthPx: row.width_px,
    heightPx: row.height_px,
    caption: row.caption,
    marks: [...row.marks],
    addedAt: row.added_at.toISOString(),
    addedBy: row.added_by,
  };
}
