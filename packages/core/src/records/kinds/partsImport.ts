import { z } from 'zod';
import { type Field, keyField } from '../Field';
import { recordEntry } from './RecordEntry';

/** Many parts that came in together: one line of the history, with the list of them behind it. */
export const partsImportStateSchema = z.strictObject({
  /** What it was brought in from. */
  name: z.string(),
  added: z.int(),
  changed: z.int(),
});
export type PartsImportState = z.output<typeof partsImportStateSchema>;

const FIELDS: readonly Field<PartsImportState>[] = [
  keyField('name', 'File'),
  keyField('added', 'New parts'),
  keyField('changed', 'Changed parts'),
];

export const partsImportEntry = recordEntry({
  word: 'Parts pack',
  schema: partsImportStateSchema,
  fields: FIELDS,
  firstWords: (state) => {
    const { added, changed } = state as Partial<PartsImportState>;
    return [`${added ?? 0} new parts, ${changed ?? 0} changed`];
  },
  did: {
    created: 'brought in',
    changed: 'brought in again',
    deleted: 'took back',
    broughtBack: 'brought in again',
    purged: 'took away for good',
  },
  changedBy: 'library',
});
