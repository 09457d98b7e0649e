/** What the shop works with: its settings, the parts it can get, the vehicles it knows. */
import { z } from 'zod';
import { connectorSchema, PART_KINDS } from '../catalogue';
import { partsFileSchema } from '../formats';
import { shopSchema, vehicleSchema } from '../model';
import { contract, nothing } from './contract';

/** A record that is kept and cannot be read, and why; its history can bring it back. */
export const unreadableSchema = z.object({ id: z.string(), why: z.string() });
export type Unreadable = z.infer<typeof unreadableSchema>;

export const getShop = contract({
  method: 'get',
  path: '/api/shop',
  permission: 'read',
  params: z.object({}),
  body: nothing,
  answer: z.object({
    version: z.int(),
    settings: shopSchema,
    /** Why what is kept cannot be read; then the settings are what could be, and defaults, until somebody saves them. */
    unreadable: z.string().nullable(),
  }),
});

export const putShop = contract({
  method: 'put',
  path: '/api/shop',
  permission: 'settings',
  params: z.object({}),
  body: z.strictObject({ version: z.int().min(1), settings: shopSchema }),
  answer: z.object({
    version: z.int(),
    settings: shopSchema,
    /** What is chosen and names something that these settings no longer have, in sentences. */
    findings: z.array(z.string()),
  }),
});

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

const foundPartSchema = z.object({
  id: z.string(),
  kind: z.enum(PART_KINDS),
  /** Maker and name. */
  label: z.string(),
  /** Why what is kept cannot be read; null where it can. */
  unreadable: z.string().nullable(),
});
export type FoundPart = z.infer<typeof foundPartSchema>;

export const FOUND_A_PAGE = 50;

/** Parts with every word in their name, maker, supplier, size or id, by name. */
export const findParts = contract({
  method: 'get',
  path: '/api/parts',
  permission: 'read',
  params: z.object({
    find: z.string().max(100).default(''),
    /** The first is 1. */
    page: z.coerce.number().int().min(1).max(100_000).default(1),
  }),
  body: nothing,
  answer: z.object({ found: z.array(foundPartSchema), total: z.int() }),
});

/** How many parts one file may bring in: as many as a parts pack has. */
export const MOST_IMPORT_MB = 96;

/**
 * Brings a parts pack into the catalogue, whole or not at all: new parts come in, those with a known id are replaced where anything
 * differs, nothing is taken away. With `tryOut` nothing is changed, and the answer says what would be.
 */
export const importParts = contract({
  method: 'post',
  path: '/api/parts/imports',
  permission: 'library',
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

export const listConnectors = contract({
  method: 'get',
  path: '/api/connectors',
  permission: 'read',
  params: z.object({}),
  body: nothing,
  answer: z.object({ connectors: z.array(connectorSchema) }),
});

export const listVehicles = contract({
  method: 'get',
  path: '/api/vehicles',
  permission: 'read',
  params: z.object({}),
  body: nothing,
  answer: z.object({ vehicles: z.array(vehicleSchema), unreadable: z.array(unreadableSchema) }),
});
