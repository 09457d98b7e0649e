/** The order list of a job. */
import { z } from 'zod';
import { offerSchema, PART_KINDS } from '../catalogue';
import { BEHIND, worksSchema } from '../model';
import { contract, idSchema, nothing } from './contract';
import { jobSchema, openChecksSchema, verdictSummarySchema } from './jobs';
import { shelfLotSchema } from './shelf';

/** An offer, for the pieces of a line. */
const takenSchema = z.object({
  offer: offerSchema,
  packs: z.int(),
  leftOver: z.int(),
  /** In minor units of the offer's currency; null where its price is not known. */
  costMinor: z.int().nullable(),
});

const orderLineSchema = z.object({
  partId: z.string(),
  kind: z.enum(PART_KINDS),
  maker: z.string(),
  name: z.string(),
  isDiscontinued: z.boolean(),
  replacedBy: z.string().nullable(),
  pieces: z.int(),
  /** Of these, put aside for the job on the shelf: the rest is bought. */
  aside: z.int(),
  /** Lots of it that are put aside for the job, and those that are free. */
  lots: z.array(shelfLotSchema),
  /** The offer to take for what is bought, as `offersFor` puts them; null where nobody is known to sell it, or nothing is bought. */
  taken: takenSchema.nullable(),
  /** Who else sells it, the next one first. */
  others: z.array(takenSchema),
  forOpenings: z.array(z.string()),
  /** Of a speaker: what of its choices is open, by the checks' names, of each opening the gravest first. */
  open: z.array(z.string()),
  /** Of a speaker: the openings whose old one nobody has tested. */
  assumed: z.array(z.string()),
});
export type OrderLineAnswer = z.infer<typeof orderLineSchema>;

export const orderSchema = z.object({
  job: jobSchema,
  currency: z.string(),
  lines: z.array(orderLineSchema),
  /** Of the lines whose cost is known, in the shop's currency. */
  totalMinor: z.int(),
  /** How many lines are not in the total: no offer, no price, or another currency. */
  notInTotal: z.int(),
  /** Openings whose parts are on the list. */
  included: z.array(
    z.object({
      openingId: idSchema,
      label: z.string(),
      behind: z.enum(BEHIND),
      speakerName: z.string(),
      summary: verdictSummarySchema,
      /** Brackets that are taken in a state other than they come in: which tabs to break off. */
      states: z.array(z.string()),
      /** What is changed by hand. */
      works: worksSchema,
      open: openChecksSchema,
      earlierReason: z.string().nullable(),
    }),
  ),
  /** Openings that have no part on the list, and why. */
  heldBack: z.array(
    z.object({
      openingId: idSchema,
      label: z.string(),
      behind: z.enum(BEHIND),
      why: z.string(),
      hasChoice: z.boolean(),
      open: openChecksSchema,
    }),
  ),
  /** Lots that are put aside for the job beyond what it needs: to be given back. */
  asideTooMany: z.array(z.object({ lot: shelfLotSchema, label: z.string(), tooMany: z.int() })),
  /** What else has to be at hand on the day: its size is seen at the car, and it is on a line once a part is taken for it. */
  needs: z.array(
    z.object({
      what: z.string(),
      why: z.string(),
      /** Null where nobody can say how many. */
      pieces: z.int().nullable(),
      /** Free lots of goods that do; null where no goods of the library are known to. */
      /** Parts of the library that do: empty where it has none, null where no kind of it is known to. */
      goods: z.array(z.object({ partId: z.string(), label: z.string() })).nullable(),
      /** Which of them is taken, and is a line of the list; null while none is. */
      taken: z.string().nullable(),
      /** Metres, of what is sold by its length; null for what is counted. */
      lengthM: z.number().nullable(),
      onShelf: z.array(z.object({ label: z.string(), place: z.string(), pieces: z.int() })).nullable(),
    }),
  ),
  /** For the steps of its plan, in the order in which they are taken up. */
  tools: z.array(z.string()),
  cautions: z.array(z.object({ label: z.string(), cautions: z.array(z.string()) })),
});
export type OrderAnswer = z.infer<typeof orderSchema>;

export const getOrder = contract({
  method: 'get',
  path: '/api/jobs/:jobId/order',
  permission: 'read',
  params: z.object({ jobId: idSchema }),
  body: nothing,
  answer: orderSchema,
});

/** The same list as a file; `getOrder` says what is in it. */
export const ORDER_CSV_PATH = '/api/jobs/:jobId/order.csv';
export const ORDER_XLSX_PATH = '/api/jobs/:jobId/order.xlsx';
