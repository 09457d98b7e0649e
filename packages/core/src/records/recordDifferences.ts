import { type Difference, differencesOf } from './Field';
import { RECORDS } from './kinds';
import type { RecordKind } from './kinds/kindNames';

/** Where two states of a record differ, in words; a state that is not there differs in nothing. */
export function recordDifferences(kind: RecordKind, before: unknown, after: unknown): readonly Difference[] {
  if (before === null || after === null) return [];
  return differencesOf(RECORDS[kind].fieldsOf(before, after), before, after);
}
