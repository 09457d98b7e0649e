/** Claims of a part as they are typed. What nobody touched keeps who wrote it down, and when. */
import { CLAIM_SAYS, type Claim, MOST_CLAIMS } from '@low-quarry/core/catalogue';
import type { Control } from 'react-hook-form';
import { z } from 'zod';

const claimTypedSchema = z.object({
  vehicleId: z.string(),
  /** Empty for whatever place. */
  place: z.string().nullable(),
  says: z.enum(CLAIM_SAYS),
  by: z.string(),
});
export const claimsTypedSchema = z.object({ claims: z.array(claimTypedSchema) });
export type ClaimsTyped = z.output<typeof claimsTypedSchema>;
export type ClaimsRead = { claims: Claim[] };
export type ClaimsControl = Control<ClaimsTyped, unknown, ClaimsRead>;

export const NEW_CLAIM: ClaimsTyped['claims'][number] = { vehicleId: '', place: null, says: 'fits', by: '' };

export function toClaimsTyped(claims: readonly Claim[]): ClaimsTyped {
  return { claims: claims.map(({ vehicleId, place, says, by }) => ({ vehicleId, place, says, by })) };
}

type Noted = { readonly kept: readonly Claim[]; readonly notedBy: string; readonly on: string };

/** Whether it is the claim that is kept, as it is kept. */
function isSameClaim(a: Claim, b: Omit<Claim, 'notedBy' | 'on'>): boolean {
  return a.vehicleId === b.vehicleId && a.place === b.place && a.says === b.says && a.by === b.by;
}

export function readClaimsSchema({ kept, notedBy, on }: Noted): z.ZodType<ClaimsRead, ClaimsTyped> {
  const claim = claimTypedSchema
    .extend({
      vehicleId: z.string().min(1, 'Pick a vehicle.'),
      place: z
        .string()
        .nullable()
        .transform((place) => place || null),
      by: z.string().trim().min(1, 'Type who says it.').max(80, 'Type at most 80 characters.'),
    })
    .transform((typed): Claim => kept.find((each) => isSameClaim(each, typed)) ?? { ...typed, notedBy, on });
  return z.object({
    claims: z.array(claim).max(MOST_CLAIMS, `At most ${MOST_CLAIMS} claims.`),
  }) as unknown as z.ZodType<ClaimsRead, ClaimsTyped>;
}
