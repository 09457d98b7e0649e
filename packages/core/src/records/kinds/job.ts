import {
  JOB_END_WORDS,
  JOB_FACT_KEYS,
  type JobEnded,
  type JobFacts,
  type JobState,
  jobFactLabel,
  jobFactWords,
  jobStateSchema,
} from '../../model';
import { type Field, keyField } from '../Field';
import { recordEntry } from './RecordEntry';

/** What is written down of a job, by the table of its facts. */
export const JOB_FIELDS: readonly Field<JobFacts>[] = JOB_FACT_KEYS.map((key) =>
  keyField(key, jobFactLabel(key), (value) => jobFactWords(key, value)),
);

const STATE_FIELDS: readonly Field<JobState>[] = [
  ...JOB_FACT_KEYS.map((key) => keyField<JobState>(key, jobFactLabel(key), (value) => jobFactWords(key, value))),
  keyField('ended', 'Standing', (ended) => (ended ? JOB_END_WORDS[(ended as JobEnded).as] : 'open')),
];

export const jobEntry = recordEntry({
  word: 'Job',
  schema: jobStateSchema,
  fields: STATE_FIELDS,
  firstWords: (state) => {
    const { wants } = state as { readonly wants?: string };
    return wants ? [`wanted: ${wants}`] : [];
  },
  did: {
    created: 'booked the car in:',
    changed: 'changed the job:',
    deleted: 'put the job into the bin:',
    broughtBack: 'took the job out of the bin:',
    purged: 'took the job away for good: it had been in the bin for 90 days:',
  },
  changedBy: 'jobs',
});
