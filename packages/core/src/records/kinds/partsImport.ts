import { z } from 'zod';
import { type Field, keyField } from '../Field';
import { recordEntry } from './RecordEntry';

/** What somebody said of a supplier's list: his next one with the same headings is read so. */
const listSaidSchema = z.strictObject({
  supplier: z.string(),
  /** What kind of parts the list was of; not there in what an earlier program kept, and of speakers then. */
  of: z.string().optional(),
  /** The words above each column. */
  heads: z.array(z.string()),
  /** What each column is; null for what is left aside. */
  columns: z.array(z.string().nullable()),
  /** What its bare numbers are in; null where nobody said. */
  units: z.array(z.string().nullable()),
});
export type ListSaid = z.output<typeof listSaidSchema>;

/** Many parts that came in together: one line of the history, with the list of them behind it. */
export const partsImportStateSchema = z.strictObject({
  /** What it was brought in from. */
  name: z.string(),
  added: z.int(),
  changed: z.int(),
  said: listSaidSchema.optional(),
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
