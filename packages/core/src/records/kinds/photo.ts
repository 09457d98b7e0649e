import { marksWords, type PhotoMark, type PhotoState, photoStateSchema } from '../../model';
import { type Field, keyField } from '../Field';
import { recordEntry, verbs } from './RecordEntry';

const CAPTION: Field<PhotoState> = keyField('caption', 'Caption', (caption) => String(caption) || 'none');
const MARKS: Field<PhotoState> = keyField('marks', 'Marks', (marks) => marksWords(marks as readonly PhotoMark[]));
/** What people change of a photo; the picture and what it is of stay. */
export const PHOTO_FIELDS: readonly Field<PhotoState>[] = [CAPTION, MARKS];

export const photoEntry = recordEntry({
  word: 'Photo',
  schema: photoStateSchema,
  fields: PHOTO_FIELDS,
  did: verbs('added', 'marked', 'took off'),
  changedBy: 'photos',
});
