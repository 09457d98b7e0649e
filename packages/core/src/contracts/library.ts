/** The library's parts, as records with a version: found, corrected, and brought in many at once. */
import { z } from 'zod';
import { NOMINAL_SIZES, PART_KINDS, partSchema, RANGED, readRanges, SPEAKER_KINDS } from '../catalogue';
import { partsFileSchema } from '../formats';
import { VALUE_GRADES } from '../records';
import { contract, nothing } from './contract';

/** A record that is kept and cannot be read, and why; its history can bring it back. */
export const unreadableSchema = z.object({ id: z.string(), why: z.string() });
export type Unreadable = z.infer<typeof unreadableSchema>;

const idSchema = z.string().min(1).max(80);

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

export const TABLE_FORMATS = ['csv', 'xlsx'] as const;
export type TableFormat = (typeof TABLE_FORMATS)[number];

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

/** The name of what was brought in where somebody typed it. */
export const TYPED_BY_HAND = 'Typed by hand';

/** How many parts one file may bring in: as many as a parts pack has. */
export const MOST_IMPORT_MB = 96;

/**
 * Brings a parts pack into the catalogue, whole or not at all: new parts come in, those with a known id are replaced where anything
 * differs, nothing is taken away. Replacing is for who may change the library: anybody else is refused, with how many would be. With `tryOut` nothing is changed, and the answer says what would be.
 */
export const importParts = contract({
  method: 'post',
  path: '/api/parts/imports',
  permission: 'parts',
  params: z.object({}),
  body: z.strictObject({
    /** What it is brought in from, such as the file's name. */
    name: z.string().trim().min(1, 'Say what it is brought in from.').max(120),
    pack: partsFileSchema,
    tryOut: z.boolean().default(false),
  }),
  answer: z.object({ added: z.int(), changed: z.int(), same: z.int(), connectors: z.int() }),
});
export type PartsImported = z.infer<typeof importParts.answer>;

/** The whole catalogue as a parts pack in the open format: brought in elsewhere, it is the same. */
export const PARTS_PACK_PATH = '/api/parts/pack';

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
