/** Parts brought in, many at once. */
import { z } from 'zod';
import { partsFileSchema } from '../formats';
import { contract } from './contract';

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
