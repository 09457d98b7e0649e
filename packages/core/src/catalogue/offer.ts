/**
 * What a supplier offers of a part: his own number for it, what a pack holds and costs, how soon it comes. Makers' articles do not change
 * when a price does: a part may have several offers, or none that anybody wrote down.
 */
import { z } from 'zod';

export const MOST_OFFERS = 20;

export const offerSchema = z.strictObject({
  supplier: z.string().trim().min(1, 'Say who offers it.').max(80, 'Type at most 80 characters.'),
  /** The supplier's own number for it; empty where nobody wrote it down. */
  number: z.string().trim().max(60, 'Type at most 60 characters.').default(''),
  packSize: z.int('Type a whole number of pieces.').min(1, 'A pack has at least 1 piece.').max(1000),
  /** In minor units of `currency`; null where the price is not known. */
  packPriceMinor: z.int().min(0).max(100_000_000).nullable(),
  /** ISO 4217; null for the shop's own. */
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/, 'Type three letters, such as EUR.')
    .nullable()
    .default(null),
  /** Working days until it is here; null where nobody knows. */
  leadDays: z.int('Type whole days.').min(0).max(365, 'Type at most 365 days.').nullable().default(null),
  /** So many packs at least. */
  leastPacks: z.int('Type a whole number of packs.').min(1, 'Type at least 1.').max(1000).default(1),
  /** Pieces that the supplier said he has, and of which day that is. */
  stock: z
    .strictObject({ pieces: z.int('Type whole pieces.').min(0).max(1_000_000), asOf: z.iso.date() })
    .nullable()
    .default(null),
});
export type Offer = z.infer<typeof offerSchema>;

/** The offers of one part: a supplier's number, or a supplier who gives none, once. */
export const offersSchema = z
  .array(offerSchema)
  .max(MOST_OFFERS, `At most ${MOST_OFFERS} offers of a part.`)
  .superRefine((offers, context) => {
    const known = new Set<string>();
    for (const [at, offer] of offers.entries()) {
      if (known.has(offerKey(offer)))
        context.addIssue({
          code: 'custom',
          path: [at, 'number'],
          message: `${offer.supplier} has this number already.`,
        });
      known.add(offerKey(offer));
    }
  })
  .default([]);

/** What tells one offer of a part from another. */
export function offerKey({ supplier, number }: Pick<Offer, 'supplier' | 'number'>): string {
  return `${supplier.toLowerCase()}\n${number.toLowerCase()}`;
}

/** Of what has no price that is known: it comes after everything that has one, and so does all that it is a piece of. */
export const COST_UNKNOWN = Number.POSITIVE_INFINITY;

/** What one piece costs where it is cheapest, in minor units of the shop's currency; `COST_UNKNOWN` without an offer in it. */
export function pieceCostMinor(offers: readonly Offer[]): number {
  return offers.reduce((least, { currency, packPriceMinor, packSize }) => {
    if (currency !== null || packPriceMinor === null) return least;
    return Math.min(least, Math.round(packPriceMinor / packSize));
  }, COST_UNKNOWN);
}
