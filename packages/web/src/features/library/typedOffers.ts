/** The offers of a part as they are typed: figures are lines of text until they are read. */
import { type Offer, offersSchema } from '@low-quarry/core/catalogue';
import type { Control } from 'react-hook-form';
import { z } from 'zod';
import { amountText, amountTyped } from '../../text/typedAmount';
import { wholeTyped } from '../../text/typedWhole';

const offerTypedSchema = z.object({
  supplier: z.string(),
  number: z.string(),
  packSize: z.string(),
  packPriceMinor: z.string(),
  currency: z.string(),
  leadDays: z.string(),
  leastPacks: z.string(),
  inStock: z.string(),
  stockAsOf: z.string().nullable(),
});
export const offersTypedSchema = z.object({ offers: z.array(offerTypedSchema) });
export type OffersTyped = z.output<typeof offersTypedSchema>;
export type OffersRead = { offers: Offer[] };
export type OffersControl = Control<OffersTyped, unknown, OffersRead>;

export const NEW_OFFER: OffersTyped['offers'][number] = {
  ...{ supplier: '', number: '', packSize: '1', packPriceMinor: '', currency: '' },
  ...{ leadDays: '', leastPacks: '1', inStock: '', stockAsOf: null },
};

const readOffer = offerTypedSchema
  .extend({
    packSize: wholeTyped(1),
    packPriceMinor: amountTyped,
    currency: z.string().transform((text) => text.trim().toUpperCase() || null),
    leadDays: wholeTyped(null),
    leastPacks: wholeTyped(1),
    inStock: wholeTyped(null),
  })
  .transform(({ inStock, stockAsOf, ...offer }, context) => {
    if (inStock === null) return { ...offer, stock: null };
    if (stockAsOf !== null) return { ...offer, stock: { pieces: inStock, asOf: stockAsOf } };
    context.addIssue({ code: 'custom', path: ['stockAsOf'], message: 'Say of which day that is.' });
    return z.NEVER;
  });

/** Every offer as the shop keeps it; what is wrong stands at the field that it was typed into. */
export const readOffersSchema = z.object({
  offers: z.array(readOffer).pipe(offersSchema as unknown as z.ZodType<Offer[], z.output<typeof readOffer>[]>),
}) as unknown as z.ZodType<OffersRead, OffersTyped>;

export function toOffersTyped(offers: readonly Offer[]): OffersTyped {
  return {
    offers: offers.map(({ stock, packPriceMinor, currency, packSize, leadDays, leastPacks, ...offer }) => ({
      ...offer,
      packSize: String(packSize),
      packPriceMinor: amountText(packPriceMinor),
      currency: currency ?? '',
      leadDays: leadDays === null ? '' : String(leadDays),
      leastPacks: String(leastPacks),
      inStock: stock === null ? '' : String(stock.pieces),
      stockAsOf: stock?.asOf ?? null,
    })),
  };
}
