/** A change of a record as sentences that a person reads. */
import { RECORDS } from './kinds';
import type { RecordKind } from './kinds/kindNames';
import type { ChangeAction } from './kinds/RecordEntry';
import { recordDifferences } from './recordDifferences';

type Told = {
  readonly kind: RecordKind;
  readonly label: string;
  readonly action: ChangeAction;
  readonly before: unknown;
  readonly after: unknown;
  readonly undoes: number | null;
};

/** What was done to what, such as "measured Front door, left". The person's name goes before it. */
export function changeHeadline({ kind, label, action, undoes }: Told): string {
  return `${undoes === null ? '' : 'by undo, '}${RECORDS[kind].did[action]} ${label}`;
}

/** Field by field, such as "Depth behind: 58 mm, depth stick → 40 mm, depth stick". */
export function changeSentences({ kind, before, after }: Told): readonly string[] {
  const { firstWords } = RECORDS[kind];
  if (before === null && after !== null) return firstWords(after);
  if (after === null) return before === null ? [] : firstWords(before).map((words) => `was ${words}`);
  return recordDifferences(kind, before, after).map((each) => `${each.label}: ${each.before} → ${each.after}`);
}
