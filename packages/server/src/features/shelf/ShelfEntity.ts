import { EntitySchema } from 'typeorm';
import type { JobRow } from '../jobs/JobEntity';
import type { PartRow } from '../library/PartEntity';

export type ShelfRow = {
  id: string;
  number: number;
  version: number;
  part_id: string;
  place: string;
  pieces: number;
  from_order: string;
  job_id: string | null;
  counted_at: Date;
  counted_by: string;
  /** When it was taken off the shelf; null while it is on it. */
  removed_at: Date | null;
  part?: PartRow;
  job?: JobRow;
};

export const ShelfEntity = new EntitySchema<ShelfRow>({
  name: 'shelf_lot',
  columns: {
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'pk_shelf_lot' },
    number: { type: 'integer', generated: 'increment' },
    version: { type: 'integer', default: 1 },
    part_id: { type: 'text' },
    place: { type: 'text' },
    pieces: { type: 'integer' },
    from_order: { type: 'text' },
    job_id: { type: 'uuid', nullable: true },
    counted_at: { type: 'timestamptz' },
    counted_by: { type: 'text' },
    removed_at: { type: 'timestamptz', nullable: true },
  },
  uniques: [{ name: 'shelf_lot_number', columns: ['number'] }],
  checks: [{ name: 'shelf_lot_pieces', expression: `"pieces" >= 0` }],
  indices: [
    { name: 'shelf_lot_by_part', columns: ['part_id'] },
    { name: 'shelf_lot_by_job', columns: ['job_id'] },
  ],
  relations: {
    part: {
      type: 'many-to-one',
      target: 'part',
      joinColumn: { name: 'part_id', foreignKeyConstraintName: 'shelf_lot_of_part' },
    },
    job: {
      type: 'many-to-one',
      target: 'job',
      nullable: true,
      onDelete: 'SET NULL',
      joinColumn: { name: 'job_id', foreignKeyConstraintName: 'shelf_lot_for_job' },
    },
  },
});
