import { EntitySchema } from 'typeorm';

/** Guesses in a row that were wrong, by whom or from where they came. */
export type AttemptRow = { key: string; failures: number; at: Date };

export const AttemptEntity = new EntitySchema<AttemptRow>({
  name: 'attempt',
  columns: {
    key: { type: 'text', primary: true, primaryKeyConstraintName: 'pk_attempt' },
    failures: { type: 'integer' },
    at: { type: 'timestamptz' },
  },
});
