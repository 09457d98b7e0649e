import { openingRecordSchema } from '../../model';
import { OPENING_FIELDS } from '../openingFields';
import { recordEntry, verbs } from './RecordEntry';

export const openingEntry = recordEntry({
  word: 'Opening',
  schema: openingRecordSchema,
  fields: OPENING_FIELDS,
  did: verbs('began with', 'measured', 'took out'),
  changedBy: 'measure',
});
