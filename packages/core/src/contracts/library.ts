/** The library's parts, as records with a version. */
import { z } from 'zod';
import { partSchema } from '../catalogue';
import { VALUE_GRADES } from '../records';
import { contract, nothing } from './contract';

const idSchema = z.string().min(1).max(80);

export const getPart = contract({
  method: 'get',
  path: '/api/parts/:partId',
  permission: 'read',
  params: z.object({ partId: idSchema }),
  body: nothing,
  answer: z.object({ version: z.int(), record: partSchema }),
});

/** Sets that a part is a piece of. */
export const partSets = contract({
  method: 'get',
  path: '/api/parts/:partId/sets',
  permission: 'read',
  params: z.object({ partId: idSchema }),
  body: nothing,
  answer: z.object({
    sets: z.array(
      z.object({
        id: z.string(),
        /** Maker and name. */
        label: z.string(),
        /** How many of the part are in one set. */
        count: z.int(),
      }),
    ),
  }),
});

export type PartSets = z.infer<typeof partSets.answer>;

/** Where each value of a part comes from. */
export const partOrigins = contract({
  method: 'get',
  path: '/api/parts/:partId/origins',
  permission: 'read',
  params: z.object({ partId: idSchema }),
  body: nothing,
  answer: z.object({
    values: z.array(
      z.object({
        path: z.string(),
        label: z.string(),
        words: z.string(),
        grade: z.enum(VALUE_GRADES),
        /** The list or the pack; empty for what was typed, or is not known. */
        from: z.string(),
        by: z.string().nullable(),
        at: z.iso.datetime().nullable(),
        isDoubted: z.boolean(),
        /** Who measured it in hand since; null where nobody did. */
        measured: z.object({ by: z.string(), on: z.iso.date() }).nullable(),
      }),
    ),
  }),
});

export const putPart = contract({
  method: 'put',
  path: '/api/parts/:partId',
  permission: 'library',
  params: z.object({ partId: idSchema }),
  body: z.strictObject({ version: z.int().min(1), record: partSchema }),
  answer: z.object({ version: z.int(), record: partSchema }),
});
