/**
 * What the shop writes down of a car, in one table: whoever adds a fact adds its line here. Contracts, history, merging, the shop
 * file and the server's columns are made from it or refuse to compile without it.
 */
import { z } from 'zod';
import { type VehicleRecord, vehicleName } from './vehicle';

type Fact = {
  readonly label: string;
  /** What may be typed, with what to do where it may not. */
  readonly typed: z.ZodType;
  /** What is kept: looser, so that a stricter rule never makes an old job unreadable. */
  readonly kept: z.ZodType;
};

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
} as const satisfies Readonly<Record<string, Fact>>;

type Facts = typeof FACTS;
export type JobFactKey = keyof Facts;

export const JOB_FACT_KEYS = Object.keys(FACTS) as readonly JobFactKey[];

export function jobFactLabel(key: JobFactKey): string {
  return FACTS[key].label;
}

function shapeOf<Which extends 'typed' | 'kept'>(which: Which): { [Key in JobFactKey]: Facts[Key][Which] } {
  const entries = JOB_FACT_KEYS.map((key) => [key, FACTS[key][which]]);
  return Object.fromEntries(entries) as { [Key in JobFactKey]: Facts[Key][Which] };
}

/** As somebody types them. */
export const typedJobFactsSchema = z.strictObject(shapeOf('typed'));
/** As they are kept and answered. */
export const jobFactsSchema = z.object(shapeOf('kept'));
export type JobFacts = z.infer<typeof jobFactsSchema>;

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
