/** A supplier's list, brought into the offers of parts: tried out first, with everything that was understood of it. */
import { z } from 'zod';
import { offerSchema, PART_KINDS } from '../catalogue';
import { LENGTH_UNITS, MASS_UNITS } from '../cells';
import { LIST_COLUMNS, type ListColumn } from '../lists';
import { contract, idSchema, nothing } from './contract';
import { workSchema } from './work';

export const MOST_LIST_MB = 64;
/** Rows of a list. */
export const MOST_LIST_ROWS = 200_000;
/** So many findings, and rows without a part, are told one by one; all of them are counted. */
export const MOST_TOLD = 200;
/** So many rows of the file are shown as they stand in it. */
export const SHOWN_ROWS = 8;

/** A maker of whom every depth stands over its class by about the flange: he may count from its top. */
export const datumSchema = z.object({
  maker: z.string(),
  speakers: z.int(),
  overMm: z.number(),
  flangeMm: z.number(),
  chance: z.number().min(0).max(1),
});

const columnSchema = z.enum(LIST_COLUMNS as [ListColumn, ...ListColumn[]]);
const unitSchema = z.enum([...LENGTH_UNITS, ...MASS_UNITS]);

const findingSchema = z.object({
  grade: z.enum(['error', 'doubt', 'note']),
  /** Row of the file, the first is 1. */
  line: z.int(),
  /** The first is 0; null for the whole row. */
  column: z.int().nullable(),
  message: z.string(),
});

const askedSchema = z.strictObject({
  /** The file's. */
  name: z.string().trim().min(1, 'Say which file it is.').max(120),
  supplier: offerSchema.shape.supplier,
  /** The file as it is. */
  base64: z.base64().max(Math.ceil((MOST_LIST_MB * 1024 * 1024 * 4) / 3), `At most ${MOST_LIST_MB} MB.`),
  /** What kind of parts its figures are of, where somebody says so; null to have it guessed. */
  of: z.enum(PART_KINDS).nullable().default(null),
  /** What each column is, where somebody says so; null to have it guessed. */
  columns: z.array(columnSchema.nullable()).max(200).nullable(),
  /** Of each column what its bare numbers are in, where somebody says so; null to go by headings and sizes. */
  units: z.array(unitSchema.nullable()).max(200).nullable().default(null),
  /** The day the list is of. */
  day: z.iso.date(),
  /** Whether somebody looked at the doubtful prices, and they are right. */
  withDoubts: z.boolean().default(false),
  /** Whether speakers of which a figure is doubted come in, on hold until it is settled. */
  withDoubted: z.boolean().default(false),
  tryOut: z.boolean().default(false),
});

const importedSchema = z.object({
  /** What was read, and how, as the end of a sentence. */
  readAs: z.string(),
  rows: z.int(),
  headRows: z.int(),
  /** Whether columns and units are those that were said of this supplier's last list. */
  isAsBefore: z.boolean(),
  /** What kind of parts its figures are of. */
  of: z.enum(PART_KINDS),
  columns: z.array(columnSchema.nullable()),
  /** Of each column of lengths or masses what its bare numbers are read in. */
  units: z.array(unitSchema.nullable()),
  shown: z.array(z.array(z.string())),
  added: z.int(),
  changed: z.int(),
  same: z.int(),
  /** Rows that no part was known for, and that say enough for one of the list’s kind. */
  newParts: z.int(),
  /** Parts with other figures than before. */
  changedParts: z.int(),
  /** New claims that a part fits a car of the library. */
  claims: z.int(),
  /** Cars that the list names and the library does not have. */
  carsElsewhere: z.int(),
  /** Speakers with a figure that is doubted. */
  doubted: z.int(),
  /** New or changed speakers that have too few of their kind to be compared with: of them nothing is doubted. */
  notCompared: z.int(),
  datums: z.array(datumSchema),
  /** The middle one of the prices that changed, as new over old. */
  priceRatio: z.number().nullable(),
  /** Offers of this supplier that are not in the list: they stay. */
  gone: z.int(),
  unknown: z.int(),
  unknownRows: z.array(z.object({ line: z.int(), number: z.string(), name: z.string() })),
  /** Prices that are doubted. */
  doubts: z.int(),
  keptOut: z.int(),
  findings: z.array(findingSchema),
  /** How many findings there are in all. */
  found: z.int(),
  /** The rows that stay out as CSV, below the list's own headings: to be mended and brought again. */
  toMend: z.string().nullable(),
});
export type ListImported = z.infer<typeof importedSchema>;

/** Tries a list out, or brings it in while whoever asks waits for it. */
export const importList = contract({
  method: 'post',
  path: '/api/parts/imports/lists',
  permission: 'library',
  params: z.object({}),
  body: askedSchema,
  answer: importedSchema,
});

/** Brings a list in as a piece of work: whoever asks may go, and what the server breaks off is begun again. */
export const bringList = contract({
  method: 'post',
  path: '/api/parts/imports/lists/work',
  permission: 'library',
  params: z.object({}),
  body: askedSchema.omit({ tryOut: true }),
  answer: z.object({ listId: idSchema }),
});

const listAtWorkSchema = z.object({
  id: idSchema,
  /** The file's. */
  name: z.string(),
  supplier: z.string(),
  /** How far it is; null where that was tidied away. */
  work: workSchema.nullable(),
  /** What it brought, without what is told of single rows; null until it is in. */
  answer: importedSchema.omit({ shown: true, findings: true, unknownRows: true, toMend: true }).nullable(),
});
export type ListAtWork = z.infer<typeof listAtWorkSchema>;

/** One's own last lists, the newest first. */
export const listsAtWork = contract({
  method: 'get',
  path: '/api/parts/imports/lists/work',
  permission: 'library',
  params: z.object({}),
  body: nothing,
  answer: z.object({ lists: z.array(listAtWorkSchema) }),
});

/** What one of one's own lists brought, with what was found in its rows. */
export const listAnswer = contract({
  method: 'get',
  path: '/api/parts/imports/lists/work/:listId',
  permission: 'library',
  params: z.object({ listId: idSchema }),
  body: nothing,
  answer: importedSchema,
});

/** Ends one's own list: nothing of it is in then. */
export const stopList = contract({
  method: 'post',
  path: '/api/parts/imports/lists/work/:listId/stop',
  permission: 'library',
  params: z.object({ listId: idSchema }),
  body: z.strictObject({}),
  answer: z.object({ lists: z.array(listAtWorkSchema) }),
});

/** How far one's own list is; null where none is worked on. */
export const listProgress = contract({
  method: 'get',
  path: '/api/parts/imports/lists/progress',
  permission: 'library',
  params: z.object({}),
  body: nothing,
  answer: z.object({ now: z.object({ step: z.string(), share: z.number().min(0).max(1) }).nullable() }),
});
