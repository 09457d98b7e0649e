import type { ChangeAction, RecordKind } from '@low-quarry/core/records';
import { EntitySchema } from 'typeorm';
import { keptByDatabase } from '../../db/keptByDatabase';

export type ChangeRow = {
  id: number;
  at: Date;
  /** What one request changed: taken back together. */
  batch: string;
  /** Null for what the program did by itself. */
  person_id: string | null;
  person_name: string;
  device_name: string;
  kind: RecordKind;
  record_id: string;
  job_id: string | null;
  label: string;
  action: ChangeAction;
  version: number;
  before: unknown;
  after: unknown;
  undoes: number | null;
  /** What the line is found by. */
  words: string;
};

export const ChangeEntity = new EntitySchema<ChangeRow>({
  name: 'change',
  columns: {
    id: { type: 'integer', primary: true, generated: 'increment', primaryKeyConstraintName: 'pk_change' },
    at: { type: 'timestamptz' },
    batch: { type: 'uuid' },
    person_id: { type: 'uuid', nullable: true },
    person_name: { type: 'text' },
    device_name: { type: 'text' },
    kind: { type: 'text' },
    record_id: { type: 'text' },
    job_id: { type: 'uuid', nullable: true },
    label: { type: 'text' },
    action: { type: 'text' },
    version: { type: 'integer' },
    before: { type: 'jsonb', nullable: true },
    after: { type: 'jsonb', nullable: true },
    undoes: { type: 'integer', nullable: true },
    words: { type: 'text', ...keptByDatabase },
  },
  uniques: [{ name: 'one_change_a_version', columns: ['kind', 'record_id', 'version'] }],
  indices: [
    { name: 'change_of_job', columns: ['job_id', 'id'] },
    { name: 'change_of_person', columns: ['person_id', 'id'] },
    { name: 'change_by_words', columns: ['words'], synchronize: false },
  ],
});
