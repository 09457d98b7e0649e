import { partSchema } from '../../catalogue';
import { recordEntry, verbs } from './RecordEntry';

export const partEntry = recordEntry({
  word: 'Part',
  schema: partSchema,
  fields: null,
  did: verbs('added the part', 'changed the part', 'removed the part'),
  changedBy: 'library',
});
