/** The kinds of records whose changes are kept, and the fields of each. */
import { checkLabel } from '../fit/checkNames';
import type { Work } from '../fit/work/Work';
import { workWords } from '../fit/work/workWords';
import { JOB_END_WORDS, JOB_FACT_KEYS, type JobEnded, type JobFacts, type JobState, jobFactLabel } from '../model/job';
import type { OpeningRecord } from '../model/opening';
import type { Shop } from '../model/shop';
import { type Answer, answerWords } from '../order/answers';
import { type Difference, differencesOf, type Field, keyField, plainWords } from './Field';
import { OPENING_FIELDS } from './openingFields';
import { SETTING_FIELDS } from './settingFields';

export const RECORD_KINDS = ['job', 'opening', 'choice', 'settings', 'person', 'part', 'vehicle'] as const;
export type RecordKind = (typeof RECORD_KINDS)[number];

/** What is chosen, and in words, because a part's name may change later. */
export type ChoiceState = {
  readonly speakerId: string;
  readonly layerIds: readonly string[];
  readonly works: readonly Work[];
  readonly answers: readonly Answer[];
  readonly earlierReason: string | null;
  readonly words: string;
  readonly verdict: string;
};

export type PersonState = { readonly name: string; readonly roles: readonly string[]; readonly active: boolean };

/** What is written down of a job, by the table of its facts. */
export const JOB_FIELDS: readonly Field<JobFacts>[] = JOB_FACT_KEYS.map((key) => keyField(key, jobFactLabel(key)));

const JOB_STATE_FIELDS: readonly Field<JobState>[] = [
  ...JOB_FACT_KEYS.map((key) => keyField<JobState>(key, jobFactLabel(key))),
  keyField('ended', 'Standing', endedWords),
];

function endedWords(ended: unknown): string {
  return ended ? JOB_END_WORDS[(ended as JobEnded).as] : 'open';
}

function answersWords(answers: unknown): string {
  const all = answers as readonly Answer[];
  return all.map((each) => `${checkLabel(each.check, 'metal')}: ${answerWords(each)}`).join('; ') || 'nothing';
}

function worksWords(works: unknown): string {
  return (works as readonly Work[]).map((work) => workWords(work, 'mm')).join(' ') || 'nothing';
}

const CHOICE_FIELDS: readonly Field<ChoiceState>[] = [
  keyField('words', 'Parts'),
  keyField('works', 'By hand', worksWords),
  keyField('verdict', 'Verdict then'),
  keyField('answers', 'What was answered', answersWords),
  keyField('earlierReason', 'Reason'),
];
export const PERSON_FIELDS: readonly Field<PersonState>[] = [
  keyField('name', 'Name'),
  keyField('roles', 'Roles'),
  keyField('active', 'Works here'),
];

const FIELDS = {
  job: JOB_STATE_FIELDS,
  opening: OPENING_FIELDS,
  choice: CHOICE_FIELDS,
  settings: SETTING_FIELDS,
  person: PERSON_FIELDS,
} as const;

/** Where two states of a record differ; a part or a vehicle is taken key by key. */
export function recordDifferences(kind: RecordKind, before: unknown, after: unknown): readonly Difference[] {
  if (before === null || after === null) return [];
  const fields = kind === 'part' || kind === 'vehicle' ? keysOf(before, after) : FIELDS[kind];
  return differencesOf(fields as readonly Field<unknown>[], before, after);
}

/** Every key of records as a field: for those that have no list of their own. */
export function keysOf(...records: readonly unknown[]): readonly Field<Readonly<Record<string, unknown>>>[] {
  const keys = new Set(records.flatMap((record) => Object.keys(record as object)));
  return [...keys].map((key) => keyField<Readonly<Record<string, unknown>>>(key, key, plainWords));
}

export type StateOf = {
  readonly job: JobState;
  readonly opening: OpeningRecord;
  readonly choice: ChoiceState;
  readonly settings: Shop;
  readonly person: PersonState;
};
