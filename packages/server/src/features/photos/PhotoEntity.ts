import type { PhotoMark, PhotoOf } from '@low-quarry/core/model';
import { EntitySchema } from 'typeorm';
import type { JobRow } from '../jobs/JobEntity';

export type PhotoRow = {
  id: string;
  version: number;
  of: PhotoOf;
  record_id: string;
  place: string;
  job_id: string | null;
  hash: string;
  width_px: number;
  height_px: number;
  bytes: number;
  caption: string;
  marks: readonly PhotoMark[];
  added_at: Date;
  added_by: string;
  /** When it was taken off its record; null while it is on it. */
  removed_at: Date | null;
  job?: JobRow;
};

export const PhotoEntity = new EntitySchema<PhotoRow>({
  name: 'photo',
  columns: {
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'pk_photo' },
    version: { type: 'integer', default: 1 },
    of: { type: 'text' },
    record_id: { type: 'text' },
    place: { type: 'text' },
    job_id: { type: 'uuid', nullable: true },
    hash: { type: 'text' },
    width_px: { type: 'integer' },
    height_px: { type: 'integer' },
    bytes: { type: 'integer' },
    caption: { type: 'text' },
    marks: { type: 'jsonb' },
    added_at: { type: 'timestamptz' },
    added_by: { type: 'text' },
    removed_at: { type: 'timestamptz', nullable: true },
  },
  checks: [
    { name: 'photo_hash', expression: `"hash" ~ '^[0-9a-f]{64}$'` },
    { name: 'photo_job', expression: `("of" IN ('job', 'opening')) = ("job_id" IS NOT NULL)` },
  ],
  indices: [
    { name: 'photo_of_record', columns: ['of', 'record_id'] },
    { name: 'photo_by_job', columns: ['job_id'] },
    { name: 'photo_by_hash', columns: ['hash'] },
  ],
  relations: {
    job: {
      type: 'many-to-one',
      target: 'job',
      nullable: true,
      onDelete: 'CASCADE',
      joinColumn: { name: 'job_id', foreignKeyConstraintName: 'photo_of_job' },
    },
  },
});
