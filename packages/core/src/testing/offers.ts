/** What is known of a part's names and offers, as the plainest list has them. */
import type { Claim } from '../catalogue/claims';
import { type Offer, offerSchema } from '../catalogue/offer';
import type { FigureDoubt } from '../catalogue/speaker/figureDoubts';
import type { InHand, MakersBias } from '../catalogue/speaker/inHand';

/** @param changes what else is known of it */
export function offered(
  packSize: number,
  packPriceMinor: number | null,
  changes: Partial<Offer> = {},
): readonly [Offer] {
  return [offerSchema.parse({ supplier: 'Test Trade', packSize, packPriceMinor, ...changes })];
}

/** Of a part that has one name and is still made. */
export const PLAINLY_NAMED = {
  number: '',
  aliases: [] as string[],
  isDiscontinued: false,
  replacedBy: null,
  claims: [] as Claim[],
  inBox: null,
  listed: null,
};

/** Of a speaker of which nobody said or measured more than its catalogue has. */
export const PLAINLY_LISTED = {
  coilOhm: null,
  coilMh: null,
  resonanceHz: null,
  totalQ: null,
  inHand: [] as InHand[],
  terminalsInHand: null,
  makersBias: [] as MakersBias[],
  doubts: [] as FigureDoubt[],
};
