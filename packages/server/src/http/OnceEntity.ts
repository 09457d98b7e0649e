import { EntitySchema } from 'typeorm';

/** A write that was asked for with a key, and its answer. */
export type OnceRow = { key: string; person_id: string; request_hash: string; answer: unknown; at: Date };

export const OnceEntity = new EntitySchema<OnceRow>({
  name: 'done_once',
  columns: {
    key: { type: 'uuid', primary: true, primaryKeyConstraintName: 'pk_done_once' },
    person_id: { type: 'uuid' },
    request_hash: { type: 'text' },
    answer: { type: 'jsonb', nullable: true },
    at: { type: 'timestamptz', default: () => 'now()' },
  },
});
