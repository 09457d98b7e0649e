/** What happened to the shop's records: who, when, at which device, before and after. */
import { z } from 'zod';
import { CHANGE_ACTIONS, RECORD_KINDS } from '../records';
import { contract, idSchema, nothing } from './contract';

export const changeSchema = z.object({
  id: z.int(),
  at: z.iso.datetime(),
  personId: idSchema.nullable(),
  personName: z.string(),
  deviceName: z.string(),
  kind: z.enum(RECORD_KINDS),
  recordId: z.string(),
  jobId: idSchema.nullable(),
  /** What the record is called. */
  label: z.string(),
  action: z.enum(CHANGE_ACTIONS),
  /** The version that this change made. */
  version: z.int(),
  /** Null where the record was not there. */
  before: z.unknown(),
  after: z.unknown(),
  /** The change that was taken back by this one. */
  undoes: z.int().nullable(),
});
export type Change = z.infer<typeof changeSchema>;

export const CHANGES_A_PAGE = 40;

/** As PostgreSQL's `integer` counts them. */
const changeIdSchema = z.coerce.number().int().positive().max(2_147_483_647);

export const listHistory = contract({
  method: 'get',
  path: '/api/history',
  permission: 'read',
  /** All of them narrow the list; `before` is the last id of the page before. */
  params: z.object({
    kind: z.enum(RECORD_KINDS).optional(),
    record: z.string().max(80).optional(),
    job: idSchema.optional(),
    person: idSchema.optional(),
    find: z.string().max(100).optional(),
    before: changeIdSchema.optional(),
  }),
  body: nothing,
  answer: z.object({
    changes: z.array(changeSchema),
    hasMore: z.boolean(),
    /** What the cars of their jobs are called, by job; those in the bin are left out. */
    cars: z.record(idSchema, z.string()),
  }),
});

/** Makes the record what it was before or after a change; that is a new change. */
export const bringBack = contract({
  method: 'post',
  path: '/api/history/:changeId/bring-back',
  permission: 'self',
  params: z.object({ changeId: changeIdSchema }),
  body: z.strictObject({ to: z.enum(['before', 'after']) }),
  answer: z.object({ changeId: z.int() }),
});

/** What the person's next undo would take back. */
export const getUndo = contract({
  method: 'get',
  path: '/api/undo',
  permission: 'self',
  params: z.object({}),
  body: nothing,
  answer: z.object({ changes: z.array(changeSchema) }),
});

export const undo = contract({
  method: 'post',
  path: '/api/undo',
  permission: 'self',
  params: z.object({}),
  /** What the person was shown, so that nothing else is taken back. */
  body: z.strictObject({ changeIds: z.array(z.int()).min(1).max(50) }),
  answer: z.object({ undone: z.int() }),
});
