/** Which few speakers to keep: those that serve the most openings of the cars that come to this shop. */
import { z } from 'zod';
import { contract, nothing } from './contract';

/** So many are named. */
export const MOST_KEPT = 10;
/** So many openings are judged, those of the newest jobs first. */
export const MOST_SERVED = 500;

export const SERVED_BY = ['clears', 'measure'] as const;

const keptSchema = z.object({
  id: z.string(),
  /** Maker and name. */
  label: z.string(),
  /** What it is, in the trade's words. */
  says: z.string(),
  /** Openings that it clears, and that have to be measured first. */
  clears: z.int(),
  measure: z.int(),
  /** Openings that none of those before it serves. */
  adds: z.int(),
});

export const servesMost = contract({
  method: 'get',
  path: '/api/parts/serving',
  permission: 'read',
  params: z.object({
    /** What counts as served: clears alone, or what has to be measured first as well. */
    by: z.enum(SERVED_BY).default('clears'),
  }),
  body: nothing,
  answer: z.object({
    chosen: z.array(keptSchema),
    /** Openings that were judged, and of those any speaker of the library serves, by the same count. */
    openings: z.int(),
    served: z.int(),
    /** Openings of older jobs, which were not judged. */
    older: z.int(),
    /** Speakers that were judged. */
    speakers: z.int(),
    /** Not judged: nobody wrote down what the fit needs; not asked for: no longer made, or offered by nobody. */
    lacking: z.int(),
    notToBeHad: z.int(),
    /** Openings and parts that cannot be read. */
    unreadable: z.int(),
  }),
});
export type ServesMost = z.infer<typeof servesMost.answer>;
