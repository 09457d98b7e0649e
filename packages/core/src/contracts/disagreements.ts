/** Where what is claimed, what a catalogue says and what was measured disagree. */
import { z } from 'zod';
import { CLAIM_FINDINGS, CLAIM_SAYS } from '../catalogue';
import { CHECK_IDS } from '../fit';
import { BEHIND } from '../model';
import { contract, nothing } from './contract';

/** So many of each are told, the dearest first; all are counted. */
export const MOST_DISAGREEMENTS = 200;

const partOf = {
  partId: z.string(),
  /** Maker and name. */
  part: z.string(),
  /** Of one piece, in the shop's currency; null where nobody says. */
  costMinor: z.number().nullable(),
};

const claimedSchema = z.object({
  ...partOf,
  says: z.enum(CLAIM_SAYS),
  by: z.string(),
  on: z.string(),
  vehicleId: z.string(),
  /** The vehicle, or the id of one that the library does not have. */
  car: z.string(),
  /** Whether nobody said which place is meant: then it is held against the one where the part does best. */
  isAnywhere: z.boolean(),
  /** Such as "Front door, left"; null where nothing could be judged. */
  opening: z.string().nullable(),
  /** What stands behind the opening names the depth. */
  behind: z.enum(BEHIND).nullable(),
  finding: z.enum(CLAIM_FINDINGS),
  verdict: z.enum(['clears', 'measure', 'hold', 'hits']).nullable(),
  /** Null where every stack hits: of those nobody asks by how much. */
  decidedBy: z.enum(CHECK_IDS).nullable(),
  /** What it would take, where nothing could be judged. */
  lacks: z.string().nullable(),
});

const readSchema = z.object({
  ...partOf,
  /** Such as "Mounting depth". */
  figure: z.string(),
  listedMm: z.number(),
  measuredMm: z.number(),
  /** Half-width of what was measured, 95 of 100, with what the catalogue rounds to. */
  withinMm: z.number(),
});

export const disagreements = contract({
  method: 'get',
  path: '/api/disagreements',
  permission: 'read',
  params: z.object({}),
  body: nothing,
  answer: z.object({
    /** Those that the geometry contradicts, and then those of which it cannot say yet; never what agrees. */
    claimed: z.array(claimedSchema),
    /** Figures that lie farther from the catalogue than reading and rounding explain. */
    read: z.array(readSchema),
    counts: z.object({ against: z.int(), open: z.int(), agrees: z.int(), figures: z.int() }),
    unreadable: z.int(),
  }),
});
export type Disagreements = z.infer<typeof disagreements.answer>;
