/** Work outside a request: what the server does by itself or when it is asked, and how far it is. */
import { z } from 'zod';
import { contract, idSchema, nothing } from './contract';

/** The kinds of work, with what each is called. */
export const WORK = {
  nightly: 'Nightly work',
  backup: 'Backup',
  list: 'Supplier’s list',
} as const;
export type WorkKind = keyof typeof WORK;
export const WORK_KINDS = Object.keys(WORK) as [WorkKind, ...WorkKind[]];

/** Waiting is also what failed and is tried again. */
export const WORK_STATES = ['waiting', 'running', 'done', 'failed', 'stopped'] as const;
export type WorkState = (typeof WORK_STATES)[number];

export const workSchema = z.object({
  id: idSchema,
  kind: z.enum(WORK_KINDS),
  /** Who asked for it; null where the program did. */
  askedBy: z.string().nullable(),
  askedAt: z.iso.datetime(),
  state: z.enum(WORK_STATES),
  /** Somebody asked that it ends; it does so at its next step. */
  isStopping: z.boolean(),
  /** What is being done, as a person says it; empty before the first step. */
  step: z.string(),
  /** How much of the whole is done, 0 to 1; null where nobody can tell. */
  share: z.number().min(0).max(1).nullable(),
  /** How often it was begun. */
  tries: z.int(),
  startedAt: z.iso.datetime().nullable(),
  endedAt: z.iso.datetime().nullable(),
  /** When it is tried again; null where it is not. */
  nextTryAt: z.iso.datetime().nullable(),
  /** Why the last try failed; null where none did. */
  fault: z.string().nullable(),
  /** What came of it, as a sentence. */
  result: z.string().nullable(),
});
export type Work = z.infer<typeof workSchema>;

export function isOpenWork({ state }: Pick<Work, 'state'>): boolean {
  return state === 'waiting' || state === 'running';
}

/** The last pieces of work, the newest first. */
export const listWork = contract({
  method: 'get',
  path: '/api/work',
  permission: 'readBackups',
  params: z.object({}),
  body: nothing,
  answer: z.object({ work: z.array(workSchema) }),
});

/** Ends what waits at once, and what runs at its next step. What has ended already is answered as it is. */
export const stopWork = contract({
  method: 'post',
  path: '/api/work/:workId/stop',
  permission: 'stopWork',
  params: z.object({ workId: idSchema }),
  body: z.strictObject({}),
  answer: workSchema,
});

/** Asks again for work that failed or was stopped: as a new piece, unless one of its kind is open. */
export const retryWork = contract({
  method: 'post',
  path: '/api/work/:workId/retry',
  permission: 'backup',
  params: z.object({ workId: idSchema }),
  body: z.strictObject({}),
  answer: workSchema,
});
