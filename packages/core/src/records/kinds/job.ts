import {
  type IntakeFacts,
  JOB_END_WORDS,
  JOB_FACT_KEYS,
  type JobEnded,
  type JobFactKey,
  type JobFacts,
  type JobState,
  jobFactLabel,
  jobFactWords,
  jobStateSchema,
} from '../../model';
import { baselineFields } from '../baselineFields';
import { bayFields } from '../bayFields';
import { carFactFields } from '../carFactFields';
import { type Field, keyField } from '../Field';
import { bookedFields, crossoverFields, quietedFields, stowedFields } from '../namedFields';
import { recordEntry } from './RecordEntry';

/** Saved each by itself: what was tried of a car, found on it, decided of its amplifier, its crossovers and other boxes, done, booked, and taken besides. */
const BY_THEMSELVES: ReadonlySet<JobFactKey> = new Set([
  ...([
    'baseline',
    'found',
    'amplifierPlan',
    'crossovers',
    'stowed',
    'bay',
    'booked',
    'quieted',
    'smallParts',
  ] as const),
]);

type WithPlan = Pick<JobFacts, 'amplifierPlan'>;

function planField<Rec extends WithPlan>(): Field<Rec> {
  return keyField<Rec>('amplifierPlan', jobFactLabel('amplifierPlan'), (value) => jobFactWords('amplifierPlan', value));
}
export const AMPLIFIER_PLAN_FIELD: Field<WithPlan> = planField();

type WithSmallParts = Pick<JobFacts, 'smallParts'>;

function smallPartsField<Rec extends WithSmallParts>(): Field<Rec> {
  return keyField<Rec>('smallParts', jobFactLabel('smallParts'), (value) => jobFactWords('smallParts', value));
}
export const SMALL_PARTS_FIELD: Field<WithSmallParts> = smallPartsField();

/** What is asked of a job, by the table of its facts. */
function factFields<Rec extends IntakeFacts>(): readonly Field<Rec>[] {
  return JOB_FACT_KEYS.filter((key) => !BY_THEMSELVES.has(key)).map((key) =>
    keyField<Rec>(key as keyof IntakeFacts, jobFactLabel(key), (value) => jobFactWords(key, value)),
  );
}
export const INTAKE_FIELDS: readonly Field<IntakeFacts>[] = factFields();

const STANDING = keyField<JobState>('ended', 'Standing', (ended) =>
  ended ? JOB_END_WORDS[(ended as JobEnded).as] : 'open',
);

/** With a field for everything that was tried of the car: two people at it, one in front and one behind, do not overlap. */
function stateFields(...states: readonly JobState[]): readonly Field<JobState>[] {
  return [
    ...factFields<JobState>(),
    ...carFactFields<'found', JobState>('found'),
    planField<JobState>(),
    smallPartsField<JobState>(),
    ...crossoverFields(...states),
    ...stowedFields(...states),
    ...baselineFields(...states),
    ...bayFields(...states),
    ...bookedFields(...states),
    ...quietedFields(...states),
    STANDING,
  ];
}

export const jobEntry = recordEntry({
  word: 'Job',
  schema: jobStateSchema,
  fields: stateFields,
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
