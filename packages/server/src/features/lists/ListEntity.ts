import type { importList, ListImported } from '@low-quarry/core/contracts/supplierLists';
import { EntitySchema } from 'typeorm';
import type { z } from 'zod';

/** What was asked of a list besides its file. */
export type AskedOfList = Omit<z.output<typeof importList.body>, 'base64'>;

export type ListRow = {
  id: string;
  /** In the order in which they were asked for, whatever the clock said. */
  number: number;
  person_id: string;
  person_name: string;
  device_name: string;
  asked: AskedOfList;
  /** Null once it is in: nobody needs it again. */
  file: Buffer | null;
  /** Null until it is in. */
  answer: ListImported | null;
  at: Date;
};

export const ListEntity = new EntitySchema<ListRow>({
  name: 'list_asked',
  columns: {
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'pk_list_asked' },
    number: { type: 'integer', generated: 'increment' },
    person_id: { type: 'uuid' },
    person_name: { type: 'text' },
    device_name: { type: 'text' },
    asked: { type: 'jsonb' },
    file: { type: 'bytea', nullable: true },
    answer: { type: 'jsonb', nullable: true },
    at: { type: 'timestamptz' },
  },
  indices: [{ name: 'list_asked_by_person', columns: ['person_id', 'number'] }],
  uniques: [{ name: 'list_asked_number', columns: ['number'] }],
});
