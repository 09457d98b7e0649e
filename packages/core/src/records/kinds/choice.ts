import { z } from 'zod';
import type { Work } from '../../fit';
import { checkLabel, workWords } from '../../fit';
import { withLayerIds, worksSchema } from '../../model';
import { type Answer, answerSchema, answerWords, withAnswers } from '../../order';
import { type Field, keyField } from '../Field';
import { type Raw, recordEntry, type Upgrade, verbs } from './RecordEntry';

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

const choiceStateSchema = z.strictObject({
  speakerId: z.string(),
  layerIds: z.array(z.string()),
  works: worksSchema.default([]),
  answers: z.array(answerSchema),
  earlierReason: z.string().nullable(),
  words: z.string(),
  verdict: z.string(),
});

/** One spacer with brackets on it became layers in any order. */
const withLayers: Upgrade = (choice) => withLayerIds(choice) as Raw;
/** One reason for all of a choice became an answer to each check. */
const withOwnAnswers: Upgrade = (choice) => withAnswers(choice) as Raw;

function answersWords(answers: unknown): string {
  const all = answers as readonly Answer[];
  return all.map((each) => `${checkLabel(each.check, 'metal')}: ${answerWords(each)}`).join('; ') || 'nothing';
}

function worksWords(works: unknown): string {
  return (works as readonly Work[]).map((work) => workWords(work, 'mm')).join(' ') || 'nothing';
}

const FIELDS: readonly Field<ChoiceState>[] = [
  keyField('words', 'Parts'),
  keyField('works', 'By hand', worksWords),
  keyField('verdict', 'Verdict then'),
  keyField('answers', 'What was answered', answersWords),
  keyField('earlierReason', 'Reason'),
];

export const choiceEntry = recordEntry({
  word: 'Choice',
  schema: choiceStateSchema,
  upgrades: [withLayers, withOwnAnswers],
  fields: FIELDS,
  firstWords: (state) => {
    const { words, verdict } = state as { readonly words?: string; readonly verdict?: string };
    return [`${words ?? 'unknown parts'}${verdict ? `, ${verdict.toLowerCase()}` : ''}`];
  },
  did: verbs('chose a speaker for', 'chose again for', 'took the choice back for'),
  changedBy: 'choose',
});
