/**
 * Records that a form saves whole on a version: at once where the shop answers, from the outbox where it does not. One entry of the table
 * a kind: how it is read, sent, and put together with what somebody else saved meanwhile.
 */
import { type Job, jobSchema, putBaseline, putFound, putJob } from '@low-quarry/core/contracts/jobs';
import { putVehicle } from '@low-quarry/core/contracts/vehicles';
import {
  type Baseline,
  baselineSchema,
  type CarFacts,
  carFactsSchema,
  type IntakeFacts,
  intakeFactsOf,
  intakeFactsSchema,
  type VehicleRecord,
  vehicleSchema,
} from '@low-quarry/core/model';
import { baselineFields, carFactFields, type Field, INTAKE_FIELDS, vehicleFields } from '@low-quarry/core/records';
import { z } from 'zod';
import { call } from '../api/call';
import type { SAVED_NAMES } from './entrySchema';

export type Versioned<Rec> = { readonly version: number; readonly record: Rec };
/** By whom and as which request it is sent from the outbox; nothing where the form itself sends it. */
type Sender = { readonly key?: string; readonly personId?: string };

export type SavedKind<Rec, Answer> = {
  readonly schema: z.ZodType<Rec>;
  readonly fieldsOf: (...records: readonly Rec[]) => readonly Field<Rec>[];
  readonly put: (id: string, on: Versioned<Rec>, sender: Sender) => Promise<Answer>;
  /** What the shop has, out of an answer or a refusal; null where that is not readable. */
  readonly read: (current: unknown) => Versioned<Rec> | null;
  /** The answer as the device keeps it. */
  readonly answer: z.ZodType<Answer>;
};

type WithFound = { readonly found: CarFacts };
type WithBaseline = { readonly baseline: Baseline };

/** A part of a job: its version is the job's. */
function ofJob<Rec>(part: (job: Job) => Rec): SavedKind<Rec, Job>['read'] {
  return (current) => {
    const { data } = jobSchema.safeParse(current);
    return data ? { version: data.version, record: part(data) } : null;
  };
}

/* The names are in `entrySchema`: what is kept is read before this file is here. */
const SAVED = {
  vehicle: {
    schema: vehicleSchema,
    fieldsOf: vehicleFields,
    put: (vehicleId, body, sender) => call(putVehicle, { params: { vehicleId }, body, ...sender }),
    read: (current) => putVehicle.answer.safeParse(current).data ?? null,
    answer: putVehicle.answer,
  } satisfies SavedKind<VehicleRecord, Versioned<VehicleRecord>>,
  intake: {
    schema: intakeFactsSchema,
    fieldsOf: () => INTAKE_FIELDS,
    put: (jobId, { version, record }, sender) =>
      call(putJob, { params: { jobId }, body: { version, ...record }, ...sender }),
    read: ofJob(intakeFactsOf),
    answer: jobSchema,
  } satisfies SavedKind<IntakeFacts, Job>,
  baseline: {
    schema: z.object({ baseline: baselineSchema }),
    fieldsOf: baselineFields,
    put: (jobId, { version, record }, sender) =>
      call(putBaseline, { params: { jobId }, body: { version, ...record }, ...sender }),
    read: ofJob(({ baseline }) => ({ baseline })),
    answer: jobSchema,
  } satisfies SavedKind<WithBaseline, Job>,
  found: {
    schema: z.object({ found: carFactsSchema }),
    fieldsOf: () => carFactFields<'found', WithFound>('found'),
    put: (jobId, { version, record }, sender) =>
      call(putFound, { params: { jobId }, body: { version, ...record }, ...sender }),
    read: ofJob(({ found }) => ({ found })),
    answer: jobSchema,
  } satisfies SavedKind<WithFound, Job>,
} as const satisfies Readonly<Record<SavedName, unknown>>;

export type SavedName = (typeof SAVED_NAMES)[number];
export type RecordOf<Name extends SavedName> = z.output<(typeof SAVED)[Name]['schema']>;
export type AnswerOf<Name extends SavedName> = Awaited<ReturnType<(typeof SAVED)[Name]['put']>>;

/** Of whatever kind: an entry of the outbox says only at run time which. */
export function savedKind(name: SavedName): SavedKind<unknown, unknown> {
  return SAVED[name] as unknown as SavedKind<unknown, unknown>;
}
