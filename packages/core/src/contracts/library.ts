/** The library's parts, as records with a version: corrected, and brought in many at once. */
import { z } from 'zod';
import { partSchema } from '../catalogue';
import { partsFileSchema } from '../formats';
import { VALUE_GRADES } from '../records';
import { contract, nothing } from './contract';

const idSchema = z.string().min(1).max(80);

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
