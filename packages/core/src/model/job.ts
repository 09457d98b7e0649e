/**
 * What the shop writes down of a car, in one table: whoever adds a fact adds its line here. Contracts, history, merging, the shop
 * file and the server's columns are made from it or refuse to compile without it.
 */
import { z } from 'zod';
import { type AmplifierPlan, amplifierPlanSchema, amplifierPlanWords } from './amplifierPlan';
import { type Baseline, baselineSchema, baselineWords, NO_BASELINE } from './baseline';
import { type Bay, baySchema, bayWords, NOTHING_DONE } from './bay';
import { type Booking, bookingsSchema, bookingsWords, NOT_BOOKED } from './booking';
import { CAR_FACT_KEYS, CAR_FACTS, type CarFacts, carFactsSchema, carFactWords } from './carFacts';
import { type Crossover, crossoversSchema, crossoverWords } from './crossover';
import { EXPECTATION_LABELS, type Expectation, expectationsSchema } from './expectations';
import {
  askedTextSchema,
  askedWords,
  budgetSchema,
  consentsSchema,
  consentsWords,
  goalsSchema,
  goalsWords,
  KEEP_LABELS,
  type Keep,
  keepsSchema,
  LATER_LABELS,
  type Later,
  latersSchema,
  listWords,
  NOT_ASKED,
  OWNERSHIP_NOT_ASKED,
  ownershipSchema,
  ownershipWords,
} from './intake';
import { type Question, questionsSchema, questionsWords } from './questions';
import { type Quieted, quietedSchema, quietedWords } from './quieted';
import { type SmallPart, smallPartsSchema, smallPartsWords } from './smallParts';
import { type Stowed, stowedSchema, stowedWords } from './stowed';
import { type VehicleRecord, vehicleName } from './vehicle';

type Fact = {
  readonly label: string;
  /** What it is until somebody asks; left out for what has to be typed when the car is booked in. */
  readonly atFirst?: unknown;
  /** The value for a person to read, where it is more than a line of text. */
  readonly words?: (value: never) => string;
  /** What may be typed, with what to do where it may not. */
  readonly typed: z.ZodType;
  /** What is kept: looser, so that a stricter rule never makes an old job unreadable. */
  readonly kept: z.ZodType;
};

const NOTHING_SAID: Expectation[] = [];
const NO_CONSENTS = {};
const NO_QUESTIONS: Question[] = [];
const NOTHING_FOUND: CarFacts = {};
const NO_CROSSOVERS: Crossover[] = [];
const NOTHING_STOWED: Stowed[] = [];
const NOTHING_QUIETED: Quieted[] = [];
const NOTHING_TAKEN: SmallPart[] = [];

const FACTS = {
  customer: {
    label: 'Customer',
    typed: z.string().trim().min(1, 'Type whose car it is.').max(120, 'Type at most 120 characters.'),
    kept: z.string(),
  },
  registration: {
    label: 'Registration',
    typed: z.string().trim().max(20, 'Type at most 20 characters.'),
    kept: z.string(),
  },
  wants: {
    label: 'What is wanted',
    typed: z.string().trim().max(1000, 'Type at most 1000 characters.'),
    kept: z.string(),
  },
  dueOn: {
    label: 'Due on',
    typed: z.iso
      .date('Type a day such as 2026-11-27.')
      .refine((day) => day >= '2000' && day < '2200', 'Type a day from 2000 to 2199.')
      .nullable(),
    kept: z.iso.date().nullable(),
  },
  contact: {
    label: 'How to reach them',
    atFirst: '',
    typed: z.string().trim().max(200, 'Type at most 200 characters.'),
    kept: z.string().default(''),
  },
  ownership: {
    label: 'Owner and leave',
    atFirst: OWNERSHIP_NOT_ASKED,
    typed: ownershipSchema,
    kept: ownershipSchema.default(OWNERSHIP_NOT_ASKED),
    words: ownershipWords,
  },
  goals: {
    label: 'Goals',
    atFirst: null,
    typed: goalsSchema,
    kept: goalsSchema.default(null),
    words: goalsWords,
  },
  keeps: {
    label: 'Stays as it is',
    atFirst: null,
    typed: keepsSchema,
    kept: keepsSchema.default(null),
    words: (keeps: Keep[] | null) => listWords(keeps, KEEP_LABELS),
  },
  budgetMinor: {
    label: 'Budget, whole',
    atFirst: null,
    typed: budgetSchema,
    kept: budgetSchema.default(null),
    words: (minor: number | null) => (minor === null ? NOT_ASKED : (minor / 100).toFixed(2)),
  },
  later: {
    label: 'Planned for later',
    atFirst: null,
    typed: latersSchema,
    kept: latersSchema.default(null),
    words: (later: Later[] | null) => listWords(later, LATER_LABELS),
  },
  doneBefore: {
    label: 'Done to it before',
    atFirst: null,
    typed: askedTextSchema,
    kept: askedTextSchema.default(null),
    words: askedWords,
  },
  lostWithoutSupply: {
    label: 'Lost when the battery is off',
    atFirst: null,
    typed: askedTextSchema,
    kept: askedTextSchema.default(null),
    words: askedWords,
  },
  consents: {
    label: 'Written consents',
    atFirst: NO_CONSENTS,
    typed: consentsSchema,
    kept: consentsSchema.default(NO_CONSENTS),
    words: consentsWords,
  },
  expectations: {
    label: 'Said beforehand',
    atFirst: NOTHING_SAID,
    typed: expectationsSchema,
    kept: expectationsSchema.default(NOTHING_SAID),
    words: (said: Expectation[]) => (said.length === 0 ? 'nothing yet' : listWords(said, EXPECTATION_LABELS)),
  },
  questions: {
    label: 'Questions outside',
    atFirst: NO_QUESTIONS,
    typed: questionsSchema,
    kept: questionsSchema.default(NO_QUESTIONS),
    words: (questions: Question[]) => questionsWords(questions),
  },
  found: {
    label: 'Found on the car',
    atFirst: NOTHING_FOUND,
    typed: carFactsSchema,
    kept: carFactsSchema.default(NOTHING_FOUND),
    words: (found: CarFacts) =>
      CAR_FACT_KEYS.flatMap((key) =>
        found[key] ? [`${CAR_FACTS[key].label}: ${carFactWords(key, found[key])}`] : [],
      ).join('; ') || 'nothing yet',
  },
  amplifierPlan: {
    label: 'The maker’s amplifier',
    atFirst: null,
    typed: amplifierPlanSchema,
    kept: amplifierPlanSchema.default(null),
    words: (plan: AmplifierPlan) => amplifierPlanWords(plan),
  },
  crossovers: {
    label: 'Crossovers',
    atFirst: NO_CROSSOVERS,
    typed: crossoversSchema,
    kept: crossoversSchema.default(NO_CROSSOVERS),
    words: (crossovers: Crossover[]) =>
      crossovers.map((each) => `${each.name}: ${crossoverWords(each)}`).join('; ') || 'none',
  },
  stowed: {
    label: 'Boxes',
    atFirst: NOTHING_STOWED,
    typed: stowedSchema,
    kept: stowedSchema.default(NOTHING_STOWED),
    words: (stowed: Stowed[]) => stowed.map((each) => `${each.name}: ${stowedWords(each)}`).join('; ') || 'none',
  },
  baseline: {
    label: 'Baseline',
    atFirst: NO_BASELINE,
    typed: baselineSchema,
    kept: baselineSchema.default(NO_BASELINE),
    words: (baseline: Baseline) => baselineWords(baseline),
  },
  bay: {
    label: 'Work done',
    atFirst: NOTHING_DONE,
    typed: baySchema,
    kept: baySchema.default(NOTHING_DONE),
    words: (bay: Bay) => bayWords(bay),
  },
  smallParts: {
    label: 'Small parts taken',
    atFirst: NOTHING_TAKEN,
    typed: smallPartsSchema,
    kept: smallPartsSchema.default(NOTHING_TAKEN),
    words: (parts: SmallPart[]) => smallPartsWords(parts),
  },
  quieted: {
    label: 'Quieting',
    atFirst: NOTHING_QUIETED,
    typed: quietedSchema,
    kept: quietedSchema.default(NOTHING_QUIETED),
    words: (quieted: Quieted[]) => quieted.map((each) => `${each.name}: ${quietedWords(each)}`).join('; ') || 'nothing',
  },
  booked: {
    label: 'Times in the bay',
    atFirst: NOT_BOOKED,
    typed: bookingsSchema,
    kept: bookingsSchema.default(NOT_BOOKED),
    words: (booked: Booking[]) => bookingsWords(booked),
  },
} as const satisfies Readonly<Record<string, Fact>>;

type Facts = typeof FACTS;
export type JobFactKey = keyof Facts;

export const JOB_FACT_KEYS = Object.keys(FACTS) as readonly JobFactKey[];

export function jobFactLabel(key: JobFactKey): string {
  return FACTS[key].label;
}

/** Its value for a person to read. */
export function jobFactWords(key: JobFactKey, value: unknown): string {
  const { words }: Fact = FACTS[key];
  return words ? words(value as never) : String(value || 'nothing');
}

/** What is known of a car of which only this was asked. */
type AtFirst<Key extends JobFactKey> = Facts[Key] extends { readonly atFirst: unknown }
  ? z.ZodDefault<Facts[Key]['typed']>
  : Facts[Key]['typed'];

function newShape(): { [Key in JobFactKey]: AtFirst<Key> } {
  const entries = JOB_FACT_KEYS.map((key) => {
    const { typed, atFirst }: Fact = FACTS[key];
    return [key, atFirst === undefined ? typed : typed.default(atFirst)];
  });
  return Object.fromEntries(entries) as { [Key in JobFactKey]: AtFirst<Key> };
}

function shapeOf<Which extends 'typed' | 'kept'>(which: Which): { [Key in JobFactKey]: Facts[Key][Which] } {
  const entries = JOB_FACT_KEYS.map((key) => [key, FACTS[key][which]]);
  return Object.fromEntries(entries) as { [Key in JobFactKey]: Facts[Key][Which] };
}

/** What is written down at the car or decided for it later, each by itself, and not asked at the counter. */
const AT_THE_CAR = {
  baseline: true,
  found: true,
  amplifierPlan: true,
  crossovers: true,
  stowed: true,
  bay: true,
  booked: true,
  quieted: true,
  smallParts: true,
} as const;

/** As somebody types them at the counter. */
export const typedJobFactsSchema = z.strictObject(shapeOf('typed')).omit(AT_THE_CAR);
/** As a car comes in: what was not asked yet may be left out. */
export const newJobFactsSchema = z.strictObject(newShape());
/** As they are kept and answered. */
export const jobFactsSchema = z.object(shapeOf('kept'));
export type JobFacts = z.infer<typeof jobFactsSchema>;

/** What is asked of a car, without what was tried of it, found on it, decided of its amplifier, its crossovers and other boxes, done, and booked for it. */
export const intakeFactsSchema = jobFactsSchema.omit(AT_THE_CAR);
export type IntakeFacts = z.infer<typeof intakeFactsSchema>;

export function intakeFactsOf(record: JobFacts): IntakeFacts {
  const atTheCar: ReadonlySet<string> = new Set(Object.keys(AT_THE_CAR));
  const facts = Object.entries(jobFactsOf(record)).filter(([key]) => !atTheCar.has(key));
  return Object.fromEntries(facts) as IntakeFacts;
}

/** The facts out of something that has more. */
export function jobFactsOf(record: JobFacts): JobFacts {
  return Object.fromEntries(JOB_FACT_KEYS.map((key) => [key, record[key]])) as JobFacts;
}

/** What a job is called: the car, and what tells it from others of its kind. */
export function jobTitle({
  vehicle,
  registration,
  number,
}: {
  readonly vehicle: Pick<VehicleRecord, 'make' | 'model'>;
  readonly registration: string;
  readonly number: number;
}): string {
  return `${vehicleName(vehicle)}, ${registration || `job ${number}`}`;
}

export const JOB_ENDS = ['handedOver', 'givenUp'] as const;
export type JobEnd = (typeof JOB_ENDS)[number];

/** How and when a job was over; a job that has not ended is open. */
export const jobEndedSchema = z.strictObject({ as: z.enum(JOB_ENDS), at: z.iso.datetime() });
export type JobEnded = z.infer<typeof jobEndedSchema>;

export const JOB_END_WORDS: Readonly<Record<JobEnd, string>> = { handedOver: 'handed over', givenUp: 'given up' };

/** A job as its history keeps it. */
export const jobStateSchema = z.strictObject({
  vehicleId: z.string(),
  ...shapeOf('kept'),
  ended: jobEndedSchema.nullable().default(null),
});
export type JobState = z.output<typeof jobStateSchema>;
