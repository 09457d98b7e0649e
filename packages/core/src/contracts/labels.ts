/** Labels for the shelf, a job's bag and a part; and what stands behind a code that was read off one. */
import { z } from 'zod';
import { PART_KINDS } from '../catalogue';
import { labelSheetSchema, requirePossible, SYMBOLS } from '../labels';
import { contract, idSchema, nothing } from './contract';
import { shelfLotSchema } from './shelf';

export const MOST_LABELS = 500;

/** What labels are of. */
export const LABELS_OF = ['lots', 'part', 'job'] as const;
export type LabelsOf = (typeof LABELS_OF)[number];

/** A sheet or more of labels, as a PDF. */
export const labelsFile = contract({
  method: 'get',
  path: '/api/labels',
  permission: 'read',
  params: z
    .object({
      of: z.enum(LABELS_OF),
      /** Of the part, or of the job; of lots one by its id, or all that are found by words. */
      id: z.string().max(80).default(''),
      find: z.string().max(100).default(''),
      /** Of each. */
      copies: z.coerce.number().int().min(1).max(MOST_LABELS).default(1),
      symbol: z.enum(SYMBOLS).default('qr'),
      /** The first label that is still on the sheet; the first is 1. */
      first: z.coerce.number().int().min(1).max(300).default(1),
      ...labelSheetSchema.shape,
    })
    .superRefine(requirePossible),
  body: nothing,
  /** The file. */
  answer: z.unknown(),
});

/** What has this code: a lot, a job, or parts with just this id, number or other name. */
export const readCode = contract({
  method: 'get',
  path: '/api/codes',
  permission: 'read',
  params: z.object({ code: z.string().trim().min(1).max(120) }),
  body: nothing,
  answer: z.object({
    lot: shelfLotSchema.extend({ label: z.string() }).nullable(),
    job: z.object({ id: idSchema, number: z.int(), registration: z.string(), car: z.string() }).nullable(),
    parts: z.array(z.object({ id: z.string(), kind: z.enum(PART_KINDS), label: z.string() })),
  }),
});
export type CodeRead = z.output<typeof readCode.answer>;
