/** Jobs: the shop's cars. */

import { z } from 'zod';
import { SENSITIVITY_CONDITIONS, SPEAKER_KINDS } from '../catalogue';
import { CHECK_IDS, COUNTS_FOR } from '../fit';
import {
  amplifierPlanSchema,
  baselineSchema,
  baySchema,
  bookingsSchema,
  carFactsSchema,
  crossoversSchema,
  JOB_ENDS,
  jobEndedSchema,
  jobFactsSchema,
  newJobFactsSchema,
  OPENING_DIMENSION_KEYS,
  openingFactsSchema,
  quietedSchema,
  smallPartsSchema,
  stowedSchema,
  typedJobFactsSchema,
  vehicleSchema,
  WAITS,
  worksSchema,
} from '../model';
import { answerSchema, CONSENT_KINDS, CURE_IDS } from '../order';
import { contract, idSchema, nothing } from './contract';
import { newVehicleSchema } from './newVehicle';
import { openingSchema } from './openings';

export const verdictSchema = z.enum(['clears', 'measure', 'hits', 'hold']);

/** A verdict as it is shown in a list: with its smallest margin and what decides it. */
export const verdictSummarySchema = z.object({
  verdict: verdictSchema,
  decidedBy: z.enum(CHECK_IDS),
  marginMm: z.number().nullable(),
  expandedMm: z.number().nullable(),
  sentence: z.string(),
});
export type VerdictSummary = z.infer<typeof verdictSummarySchema>;

/** A check of a choice that does not clear, and what was answered to it. */
const openCheckSchema = z.object({
  check: z.enum(CHECK_IDS),
  verdict: verdictSchema.exclude(['clears']),
  countsFor: z.enum(COUNTS_FOR),
  marginMm: z.number().nullable(),
  expandedMm: z.number().nullable(),
  sentence: z.string(),
  cures: z.array(z.enum(CURE_IDS)).readonly(),
  answer: answerSchema.nullable(),
  outgrown: answerSchema.nullable(),
});

/** All that does not clear, the gravest first. */
export const openChecksSchema = z.array(openCheckSchema);

const cornerSchema = z.object({
  hz: z.number(),
  order: z.union([z.literal(1), z.literal(2), z.literal(3), z.literal(4)]),
});

/** What of a chosen speaker, and of the lead before it, its channel is judged by. */
export const playsSchema = z.object({
  speakerKind: z.enum(SPEAKER_KINDS),
  impedanceOhm: z.number().nullable(),
  coilOhm: z.number().nullable(),
  coilMh: z.number().nullable(),
  resonanceHz: z.number().nullable(),
  totalQ: z.number().nullable(),
  rmsW: z.number().nullable(),
  sensitivityDb: z.number().nullable(),
  sensitivityAt: z.enum(SENSITIVITY_CONDITIONS),
  /** Of the lead; null where there is none in it, or nobody says. */
  filter: z.object({ highPass: cornerSchema.nullable(), lowPass: cornerSchema.nullable() }).nullable(),
});
export type Plays = z.infer<typeof playsSchema>;

export const openingStateSchema = z.discriminatedUnion('kind', [
  /** A candidate is chosen; the verdict is the present one. `heldBack` says why it may not be ordered. */
  z.object({
    kind: z.literal('chosen'),
    speakerName: z.string(),
    /** What is changed by hand so that it fits. */
    works: worksSchema.default([]),
    /** What of it has to be agreed to in writing, one act of each. */
    needsConsent: z.array(z.array(z.enum(CONSENT_KINDS))).default([]),
    /** Null in what an earlier program answered. */
    plays: playsSchema.nullable().default(null),
    summary: verdictSummarySchema,
    open: openChecksSchema,
    heldBack: z.string().nullable(),
    verdictThen: verdictSchema,
    sentenceThen: z.string().nullable(),
    /** What the verdict depends on and is not as it was when the choice was made. */
    changedSince: z.array(z.object({ path: z.string(), label: z.string(), before: z.string(), after: z.string() })),
  }),
  /** Nothing is chosen and something no millimetre settles is in the way. */
  z.object({ kind: z.literal('hold'), sentence: z.string() }),
  /** Something is chosen and cannot be judged: it names what is not there any more, or cannot be read. */
  z.object({ kind: z.literal('cannotJudge'), parts: z.string(), sentence: z.string() }),
  /** What is kept of the opening cannot be read; what is shown of it is what could. */
  z.object({ kind: z.literal('unreadable'), sentence: z.string() }),
  /** There is no opening: a blank panel, or nothing at all. */
  z.object({ kind: z.literal('noOpening'), sentence: z.string() }),
  z.object({ kind: z.literal('toMeasure'), missing: z.array(z.enum(OPENING_DIMENSION_KEYS)) }),
  /** Nothing is chosen; every dimension has a figure, so many of them taken on this car. */
  z.object({ kind: z.literal('nothingChosen'), known: z.int(), takenHere: z.int() }),
]);
export type OpeningState = z.infer<typeof openingStateSchema>;

export const jobSchema = z.object({
  id: idSchema,
  number: z.int(),
  version: z.int(),
  ...jobFactsSchema.shape,
  ended: jobEndedSchema.nullable(),
  vehicle: vehicleSchema.omit({ openings: true }),
});
export type Job = z.infer<typeof jobSchema>;

const openingWithStateSchema = openingSchema.extend({ state: openingStateSchema });
export type OpeningWithState = z.infer<typeof openingWithStateSchema>;

/** A car of a variant that the library has, or of one that comes into it with the job. */
export const newJobSchema = newJobFactsSchema
  .extend({
    vehicleId: z.string().max(80),
    newVehicle: newVehicleSchema.nullable().default(null),
  })
  .superRefine(({ vehicleId, newVehicle }, context) => {
    if ((vehicleId === '') === (newVehicle !== null)) return;
    const message = newVehicle ? 'It is in the library, or it is new: not both.' : 'Choose a vehicle.';
    context.addIssue({ code: 'custom', path: ['vehicleId'], message });
  });
export type NewJob = z.output<typeof newJobSchema>;

/** So many jobs come at once. */
export const JOBS_A_PAGE = 25;
export const JOB_LISTS = ['open', 'ended'] as const;
export type JobListName = (typeof JOB_LISTS)[number];

/** Open jobs come soonest due first, those without a day last, or the last booked in first. */
export const JOB_SORTS = ['due', 'newest'] as const;
export type JobSort = (typeof JOB_SORTS)[number];

/** What of an opening its open points and its state follow from. */
export const listedRecordSchema = openingFactsSchema
  .pick({
    place: true,
    side: true,
    name: true,
    behind: true,
    presence: true,
    nominalSize: true,
    assumed: true,
    wiring: true,
    secondPlug: true,
    plugFaces: true,
    polarity: true,
    lineFilter: true,
    jointWay: true,
    tweeterSeat: true,
    housing: true,
    obstaclesLooked: true,
    oldSpeaker: true,
    earlier: true,
    build: true,
  })
  .strip();

/** Open jobs, or those that have ended, the last first whatever `sort` says; those with every word of `find` in them. */
export const listJobs = contract({
  method: 'get',
  path: '/api/jobs',
  permission: 'read',
  params: z.object({
    list: z.enum(JOB_LISTS).default('open'),
    find: z.string().max(100).default(''),
    sort: z.enum(JOB_SORTS).default('due'),
    /** Only what is due on this day or earlier: a car without a day is not. */
    dueBy: z.iso.date('Type a day such as 2026-11-27.').nullable().default(null),
    /** Only what waits for an answer from outside: anybody's, or somebody's. */
    waits: z.enum(WAITS).nullable().default(null),
    /** The first is 1. */
    page: z.coerce.number().int().min(1).max(100_000).default(1),
  }),
  body: nothing,
  answer: z.object({
    jobs: z.array(
      jobSchema.extend({
        openings: z.array(
          z.object({
            id: idSchema,
            record: listedRecordSchema,
            state: openingStateSchema,
          }),
        ),
      }),
    ),
    /** How many there are of these on all pages. */
    total: z.int(),
    /** How many there are in each list, whatever is looked for. */
    counts: z.object({ open: z.int(), ended: z.int() }),
  }),
});
export type JobsAsked = z.output<typeof listJobs.params>;
export type JobInList = z.infer<typeof listJobs.answer>['jobs'][number];

export const getJob = contract({
  method: 'get',
  path: '/api/jobs/:jobId',
  permission: 'read',
  params: z.object({ jobId: idSchema }),
  body: nothing,
  answer: z.object({ job: jobSchema, openings: z.array(openingWithStateSchema) }),
});

export const createJob = contract({
  method: 'post',
  path: '/api/jobs',
  permission: 'jobs',
  params: z.object({}),
  body: newJobSchema,
  answer: z.object({ jobId: idSchema }),
});

export const putJob = contract({
  method: 'put',
  path: '/api/jobs/:jobId',
  permission: 'jobs',
  params: z.object({ jobId: idSchema }),
  body: typedJobFactsSchema.extend({ version: z.int().min(1) }),
  answer: jobSchema,
});

/** What was tried and seen of the car, before the work and after it: by whoever stands at it. What was signed stays. */
export const putBaseline = contract({
  method: 'put',
  path: '/api/jobs/:jobId/baseline',
  permission: 'baseline',
  params: z.object({ jobId: idSchema }),
  body: z.strictObject({ version: z.int().min(1), baseline: baselineSchema }),
  answer: jobSchema,
});

/** What is known of the car besides what is measured, written down by whoever sees it. */
export const putFound = contract({
  method: 'put',
  path: '/api/jobs/:jobId/found',
  permission: 'facts',
  params: z.object({ jobId: idSchema }),
  body: z.strictObject({ version: z.int().min(1), found: carFactsSchema }),
  answer: jobSchema,
});

/** Whether the maker's amplifier stays or is bypassed: decided by whoever plans the wires. */
export const putAmplifierPlan = contract({
  method: 'put',
  path: '/api/jobs/:jobId/amplifier-plan',
  permission: 'choose',
  params: z.object({ jobId: idSchema }),
  body: z.strictObject({ version: z.int().min(1), amplifierPlan: amplifierPlanSchema }),
  answer: jobSchema,
});

/** What each crossover takes in, where its outputs end and where it lies: decided by whoever plans the wires. */
export const putCrossovers = contract({
  method: 'put',
  path: '/api/jobs/:jobId/crossovers',
  permission: 'choose',
  params: z.object({ jobId: idSchema }),
  body: z.strictObject({ version: z.int().min(1), crossovers: crossoversSchema }),
  answer: jobSchema,
});

/** What else is put into the car, and where: decided by whoever plans the wires. */
export const putStowed = contract({
  method: 'put',
  path: '/api/jobs/:jobId/stowed',
  permission: 'choose',
  params: z.object({ jobId: idSchema }),
  body: z.strictObject({ version: z.int().min(1), stowed: stowedSchema }),
  answer: jobSchema,
});

/** What was done of the plan, step by step: ticked by whoever may measure; what was found is everybody's. Nobody signs for somebody else. */
export const putBay = contract({
  method: 'put',
  path: '/api/jobs/:jobId/bay',
  permission: 'facts',
  params: z.object({ jobId: idSchema }),
  body: z.strictObject({ version: z.int().min(1), bay: baySchema }),
  answer: jobSchema,
});

/** Which parts of the library are taken for what has to be at hand besides. */
export const putSmallParts = contract({
  method: 'put',
  path: '/api/jobs/:jobId/small-parts',
  permission: 'choose',
  params: z.object({ jobId: idSchema }),
  body: z.strictObject({ version: z.int().min(1), smallParts: smallPartsSchema }),
  answer: jobSchema,
});

/** What of the car is quieted, and with what: decided by whoever plans the work. */
export const putQuieted = contract({
  method: 'put',
  path: '/api/jobs/:jobId/quieted',
  permission: 'choose',
  params: z.object({ jobId: idSchema }),
  body: z.strictObject({ version: z.int().min(1), quieted: quietedSchema }),
  answer: jobSchema,
});

/** When the car stands in the bay, on which lift, with whom: planned by whoever promises the days. */
export const putBooked = contract({
  method: 'put',
  path: '/api/jobs/:jobId/booked',
  permission: 'jobs',
  params: z.object({ jobId: idSchema }),
  body: z.strictObject({ version: z.int().min(1), booked: bookingsSchema }),
  answer: jobSchema,
});

/** The car has left, or nothing comes of it: off the list of open jobs, with everything as it was. */
export const endJob = contract({
  method: 'post',
  path: '/api/jobs/:jobId/end',
  permission: 'jobs',
  params: z.object({ jobId: idSchema }),
  body: z.strictObject({ version: z.int().min(1), as: z.enum(JOB_ENDS) }),
  answer: jobSchema,
});

export const reopenJob = contract({
  method: 'post',
  path: '/api/jobs/:jobId/reopen',
  permission: 'jobs',
  params: z.object({ jobId: idSchema }),
  body: z.strictObject({ version: z.int().min(1) }),
  answer: jobSchema,
});

/** Into the bin: out of every list, kept for `BIN_DAYS`. */
export const deleteJob = contract({
  method: 'post',
  path: '/api/jobs/:jobId/delete',
  permission: 'jobs',
  params: z.object({ jobId: idSchema }),
  body: z.strictObject({ version: z.int().min(1) }),
  answer: z.object({ deletedAt: z.iso.datetime() }),
});

export const BIN_DAYS = 90;

export const listBin = contract({
  method: 'get',
  path: '/api/bin',
  permission: 'read',
  params: z.object({}),
  body: nothing,
  answer: z.object({
    jobs: z.array(jobSchema.extend({ deletedAt: z.iso.datetime(), deletedBy: z.string(), goneOn: z.iso.date() })),
  }),
});
export type JobInBin = z.infer<typeof listBin.answer>['jobs'][number];

export const restoreJob = contract({
  method: 'post',
  path: '/api/bin/:jobId/restore',
  permission: 'jobs',
  params: z.object({ jobId: idSchema }),
  body: z.strictObject({ version: z.int().min(1) }),
  answer: jobSchema,
});
