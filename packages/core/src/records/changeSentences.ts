/** A change of a record as sentences that a person reads. */
import { type RecordKind, recordDifferences } from './recordKinds';

type Told = {
  readonly kind: RecordKind;
  readonly label: string;
  readonly action: 'created' | 'changed' | 'deleted' | 'broughtBack' | 'purged';
  readonly before: unknown;
  readonly after: unknown;
  readonly undoes: number | null;
};

export const KIND_WORDS: Readonly<Record<RecordKind, string>> = {
  job: 'Job',
  opening: 'Opening',
  choice: 'Choice',
  settings: 'Settings',
  person: 'Person',
  part: 'Part',
  vehicle: 'Vehicle',
};

const DID: Readonly<Record<RecordKind, Readonly<Record<Told['action'], string>>>> = {
  job: {
    created: 'booked the car in',
    changed: 'changed the job',
    deleted: 'put the job into the bin',
    broughtBack: 'took the job out of the bin',
    purged: 'took the job away for good: it had been in the bin for 90 days',
  },
  opening: verbs('began with', 'measured', 'took out'),
  choice: verbs('chose a speaker for', 'chose again for', 'took the choice back for'),
  settings: verbs('set up', 'changed', 'reset'),
  person: verbs('added', 'changed', 'removed'),
  part: verbs('added the part', 'changed the part', 'removed the part'),
  vehicle: verbs('added the vehicle', 'changed the vehicle', 'removed the vehicle'),
};

function verbs(created: string, changed: string, deleted: string): Readonly<Record<Told['action'], string>> {
  return { created, changed, deleted, broughtBack: 'brought back', purged: 'took away for good' };
}

/** What was done to what, such as "measured Front door, left". The person's name goes before it. */
export function changeHeadline({ kind, label, action, undoes }: Told): string {
  const did = DID[kind][action];
  return `${undoes === null ? '' : 'by undo, '}${kind === 'job' ? `${did}: ${label}` : `${did} ${label}`}`;
}

/** Field by field, such as "Depth behind: 58 mm, depth stick → 40 mm, depth stick". */
export function changeSentences({ kind, before, after }: Told): readonly string[] {
  if (before === null && after !== null) return firstWords(kind, after);
  if (after === null) return before === null ? [] : firstWords(kind, before).map((words) => `was ${words}`);
  return recordDifferences(kind, before, after).map((each) => `${each.label}: ${each.before} → ${each.after}`);
}

/** Of a record that was not there before only what tells it from others: all of it would bury the line. */
function firstWords(kind: RecordKind, state: unknown): readonly string[] {
  const { words, verdict, wants } = state as { words?: string; verdict?: string; wants?: string };
  if (kind === 'choice') return [`${words ?? 'unknown parts'}${verdict ? `, ${verdict.toLowerCase()}` : ''}`];
  return kind === 'job' && wants ? [`wanted: ${wants}`] : [];
}
