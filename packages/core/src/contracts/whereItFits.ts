/** One speaker in every opening of the library and of all open jobs. */
import { z } from 'zod';
import { CHECK_IDS } from '../fit';
import { BEHIND } from '../model';
import { contract, nothing } from './contract';

/** So many places are told one by one, the surest first; all of them are counted. */
export const MOST_PLACES_TOLD = 200;

const placeSchema = z.object({
  /** A variant of the library, or a job. */
  of: z.enum(['variant', 'job']),
  id: z.string(),
  /** Such as "Corran Tern, 2014 to 2019, Base", or with its registration. */
  car: z.string(),
  /** Such as "Front door, left". */
  opening: z.string(),
  verdict: z.enum(['clears', 'measure', 'hold']),
  /** What stands behind it names the depth. */
  behind: z.enum(BEHIND),
  decidedBy: z.enum(CHECK_IDS),
  marginMm: z.number().nullable(),
  /** Names of what goes between it and the metal; empty for nothing. */
  stack: z.array(z.string()),
});

export const whereItFits = contract({
  method: 'get',
  path: '/api/parts/:partId/places',
  permission: 'read',
  params: z.object({ partId: z.string().min(1).max(80) }),
  body: nothing,
  answer: z.object({
    /** What keeps it from being judged, in words; empty where it is judged. */
    lacks: z.array(z.string()),
    places: z.array(placeSchema),
    counts: z.object({ clears: z.int(), measure: z.int(), hold: z.int(), hits: z.int() }),
    /** Vehicles and openings that cannot be read. */
    unreadable: z.int(),
  }),
});
export type PlacesOfPart = z.infer<typeof whereItFits.answer>;
