/** The catalogue as a device keeps it: what changed since a place in it, and the connectors that it names. */
import { z } from 'zod';
import { connectorSchema } from '../catalogue';
import { contract, nothing } from './contract';

/** Where in the catalogue's changes somebody has read up to. The epoch tells one catalogue from another that took its place. */
export const cataloguePlaceSchema = z.object({
  epoch: z.uuid(),
  revision: z.coerce.number().int().min(0),
  /** Of the last part that came, where more of the same revision were still to come. */
  id: z.string().max(80),
});
export type CataloguePlace = z.output<typeof cataloguePlaceSchema>;

/** So many parts come at once, where they all come. */
export const PARTS_A_PAGE = 2000;

/**
 * What changed in the catalogue after a place; everything, page by page, for who names none or one of another catalogue. Records come
 * as they are kept, and are read by whoever gets them (`readStored`): so many are not read twice.
 */
export const listCatalogueChanges = contract({
  method: 'get',
  path: '/api/catalogue/changes',
  permission: 'read',
  params: cataloguePlaceSchema.partial(),
  body: nothing,
  answer: z.object({
    /** Whether it begins at the beginning: what was known before is of another catalogue. */
    isWhole: z.boolean(),
    parts: z.array(z.unknown()),
    connectors: z.array(z.unknown()),
    /** Ids of parts that are there no more. */
    gone: z.array(z.string()),
    /** How many parts are still to come after these. */
    toCome: z.int(),
    at: cataloguePlaceSchema,
    hasMore: z.boolean(),
  }),
});
export type CatalogueChanges = z.infer<typeof listCatalogueChanges.answer>;

export const listConnectors = contract({
  method: 'get',
  path: '/api/connectors',
  permission: 'read',
  params: z.object({}),
  body: nothing,
  answer: z.object({ connectors: z.array(connectorSchema) }),
});
