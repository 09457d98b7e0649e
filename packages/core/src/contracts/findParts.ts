/** Parts of the library as they are found: a line of each. */
import { z } from 'zod';
import { NOMINAL_SIZES, PART_KINDS, RANGED, readRanges, SPEAKER_KINDS } from '../catalogue';
import { contract, nothing } from './contract';
import { TABLE_FORMATS } from './tableFormats';

const foundPartSchema = z.object({
  id: z.string(),
  kind: z.enum(PART_KINDS),
  /** Maker and name. */
  label: z.string(),
  /** What it is, in the trade's words; empty where it cannot be read. */
  says: z.string(),
  /** Why what is kept cannot be read; null where it can. */
  unreadable: z.string().nullable(),
  /** Of a speaker what is known of its figures, what was measured in hand before what its maker says; and what a piece costs, in minor units. */
  figures: z.partialRecord(z.enum(RANGED), z.number()),
});
export type FoundPart = z.infer<typeof foundPartSchema>;

const rangesSchema = z
  .string()
  .max(600)
  .default('')
  .transform((text, context) => {
    const ranges = readRanges(text);
    if (ranges) return ranges;
    context.addIssue({
      code: 'custom',
      message: `“${text.slice(0, 60)}” was read. Write ranges such as depth:40-63,cutout:-145.`,
    });
    return z.NEVER;
  });

export const FOUND_A_PAGE = 50;

export const OPEN_FIGURES = ['lacking', 'doubted'] as const;
export type OpenFigures = (typeof OPEN_FIGURES)[number];

/**
 * Parts with every word in their name, their other names, maker, supplier, numbers, size or id, by name. Where none has all, those that
 * have words like the ones that were typed, the likest first.
 */
export const findParts = contract({
  method: 'get',
  path: '/api/parts',
  permission: 'read',
  params: z.object({
    find: z.string().max(100).default(''),
    kind: z.enum(PART_KINDS).optional(),
    /** Speakers alone that lack what the fit needs, or of which a figure is doubted. */
    open: z.enum(OPEN_FIGURES).optional(),
    /** Speakers alone of which these figures are known and lie so, as `writeRanges` writes it; any part by its cost. */
    within: rangesSchema,
    size: z.enum(NOMINAL_SIZES).optional(),
    speakerKind: z.enum(SPEAKER_KINDS).optional(),
    /** Without what its maker makes no more. */
    made: z.literal('still').optional(),
    /** By name unless another is said; what is not known comes last. */
    by: z.enum(RANGED).optional(),
    order: z.enum(['up', 'down']).default('up'),
    /** The first is 1. */
    page: z.coerce.number().int().min(1).max(100_000).default(1),
  }),
  body: nothing,
  answer: z.object({
    found: z.array(foundPartSchema),
    total: z.int(),
    /** Whether none has the words as they were typed, and these have some like them. */
    isLike: z.boolean(),
  }),
});

/** All of the same parts as a file for other programs, a row for each offer. */
export const partsTable = contract({
  method: 'get',
  path: '/api/parts/table',
  permission: 'read',
  params: findParts.params.omit({ page: true }).extend({ format: z.enum(TABLE_FORMATS) }),
  body: nothing,
  /** The file. */
  answer: z.unknown(),
});

/** The whole catalogue as a parts pack in the open format: brought in elsewhere, it is the same. */
export const PARTS_PACK_PATH = '/api/parts/pack';
