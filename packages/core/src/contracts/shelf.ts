/** What the shop has: lots on the shelf, counted, put aside for a job, taken off. */
import { z } from 'zod';
import { PART_KINDS } from '../catalogue';
import { shelfStateSchema } from '../model';
import { contract, idSchema, nothing } from './contract';

export const shelfLotSchema = shelfStateSchema.extend({
  id: idSchema,
  version: z.int().min(1),
  /** On its label. */
  number: z.int().min(1),
  countedAt: z.iso.datetime(),
  countedBy: z.string(),
});
export type ShelfLot = z.output<typeof shelfLotSchema>;

const listedLotSchema = shelfLotSchema.extend({
  /** Maker and name of the part. */
  label: z.string(),
  kind: z.enum(PART_KINDS),
  /** The job it is put aside for, and whether that is over or in the bin. */
  job: z.object({ number: z.int(), registration: z.string(), isOver: z.boolean() }).nullable(),
});
export type ListedLot = z.output<typeof listedLotSchema>;

export const LOTS_A_PAGE = 50;

/** Lots with every word in the part's names and numbers, or in the place, by place and part; those of one part, of one job. */
export const listShelf = contract({
  method: 'get',
  path: '/api/shelf',
  permission: 'read',
  params: z.object({
    find: z.string().max(100).default(''),
    part: z.string().max(80).optional(),
    job: idSchema.optional(),
    /** The first is 1. */
    page: z.coerce.number().int().min(1).max(100_000).default(1),
  }),
  body: nothing,
  answer: z.object({ lots: z.array(listedLotSchema), total: z.int() }),
});

export const addLot = contract({
  method: 'post',
  path: '/api/shelf',
  permission: 'shelf',
  params: z.object({}),
  body: shelfStateSchema,
  answer: shelfLotSchema,
});

/** Counted again, laid elsewhere, put aside whole or given back. What it is stays. */
export const putLot = contract({
  method: 'put',
  path: '/api/shelf/:lotId',
  permission: 'shelf',
  params: z.object({ lotId: idSchema }),
  body: shelfStateSchema.omit({ partId: true }).extend({ version: z.int().min(1) }),
  answer: shelfLotSchema,
});

/** Puts some of a free lot aside for a job, as a lot of its own in the same place; of all of it, the lot itself. */
export const putAside = contract({
  method: 'post',
  path: '/api/shelf/:lotId/aside',
  permission: 'shelf',
  params: z.object({ lotId: idSchema }),
  body: z.strictObject({ version: z.int().min(1), jobId: z.uuid(), pieces: z.int().min(1) }),
  answer: shelfLotSchema,
});

/** Nothing of it is there any more. */
export const removeLot = contract({
  method: 'post',
  path: '/api/shelf/:lotId/remove',
  permission: 'shelf',
  params: z.object({ lotId: idSchema }),
  body: z.strictObject({ version: z.int().min(1) }),
  answer: z.object({ lotId: idSchema }),
});
