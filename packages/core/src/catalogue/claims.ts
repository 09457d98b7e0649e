/** What somebody says of a part and a variant without having measured it: evidence beside the geometry, never instead of it. */
import { z } from 'zod';

export const CLAIM_SAYS = ['fits', 'fitsWithWork', 'fitsNot'] as const;
export type ClaimSays = (typeof CLAIM_SAYS)[number];

export const CLAIM_WORDS: Readonly<Record<ClaimSays, string>> = {
  fits: 'it fits',
  fitsWithWork: 'it fits with work on it',
  fitsNot: 'it does not fit',
};

export const MOST_CLAIMS = 100;

const claimSchema = z.strictObject({
  /** A variant of the library. */
  vehicleId: z.string().min(1, 'Pick a vehicle.').max(80),
  /** A place of its openings; null where nobody said which. */
  place: z.string().min(1).max(40).nullable(),
  says: z.enum(CLAIM_SAYS),
  /** Who says it, such as a supplier's list. */
  by: z.string().trim().min(1, 'Type who says it.').max(80, 'Type at most 80 characters.'),
  /** Who wrote it down here, and when. */
  notedBy: z.string().min(1).max(80),
  on: z.iso.date(),
});
export type Claim = z.infer<typeof claimSchema>;

export const claimsSchema = z.array(claimSchema).max(MOST_CLAIMS, `At most ${MOST_CLAIMS} claims.`).default([]);

/** Whether a claim is about an opening at this place of this variant. */
export function isAbout(
  { vehicleId, place }: Pick<Claim, 'vehicleId' | 'place'>,
  opening: { readonly vehicleId: string; readonly place: string },
): boolean {
  return vehicleId === opening.vehicleId && (place === null || place === opening.place);
}

export const CLAIM_FINDINGS = ['against', 'open', 'agrees'] as const;
export type ClaimFinding = (typeof CLAIM_FINDINGS)[number];

/**
 * What the geometry says to a claim. Only what clears or hits says anything; work on the opening is not counted, so that a claim of it is
 * not contradicted by what hits without.
 */
export function claimFinding(says: ClaimSays, verdict: 'clears' | 'measure' | 'hold' | 'hits'): ClaimFinding {
  if (verdict === 'clears') return says === 'fitsNot' ? 'against' : 'agrees';
  if (verdict === 'hits') return says === 'fits' ? 'against' : says === 'fitsNot' ? 'agrees' : 'open';
  return 'open';
}
