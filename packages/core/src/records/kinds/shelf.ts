import { type ShelfState, shelfStateSchema } from '../../model';
import { type Field, keyField } from '../Field';
import { recordEntry, verbs } from './RecordEntry';

export const SHELF_FIELDS: readonly Field<ShelfState>[] = [
  keyField('place', 'Where it lies'),
  keyField('pieces', 'Pieces'),
  keyField('from', 'From which order', (from) => String(from) || 'not known'),
  keyField('jobId', 'Put aside', (job) => (job === null ? 'for no job' : 'for a job')),
];

export const shelfEntry = recordEntry({
  word: 'On the shelf',
  schema: shelfStateSchema,
  fields: SHELF_FIELDS,
  firstWords: (state) => {
    const { place, pieces } = state as Partial<ShelfState>;
    return [`${pieces ?? 0} at ${place ?? 'no place'}`];
  },
  did: verbs('put on the shelf:', 'counted on the shelf:', 'took off the shelf:'),
  changedBy: 'shelf',
});
