/** Offers in words: who, under which number, by when, for how much. */
import type { Offer } from '@low-quarry/core/catalogue';
import type { TakenOffer } from '@low-quarry/core/order';
import { printCost } from './money';

/** Such as "Quayside Trade, no. Q-1187". */
export function offererWords({ supplier, number }: Pick<Offer, 'supplier' | 'number'>): string {
  return number === '' ? supplier : `${supplier}, no. ${number}`;
}

/** Such as "1 pack of 2". */
export function packsWords({ packs, offer: { packSize } }: Pick<TakenOffer, 'packs' | 'offer'>): string {
  return `${packs} ${packs === 1 ? 'pack' : 'packs'} of ${packSize}`;
}

/** When it would be here, and of which day its stock is known; empty where nobody wrote either down. */
export function leadWords(
  { leadDays, stock }: Pick<Offer, 'leadDays' | 'stock'>,
  day: (iso: string) => string,
): string {
  const words = [
    leadDays !== null &&
      (leadDays === 0 ? 'here the same day' : `here in ${leadDays} working ${leadDays === 1 ? 'day' : 'days'}`),
    stock !== null && `${stock.pieces} in stock on ${day(stock.asOf)}`,
  ];
  return words.filter((each) => each !== false).join(', ');
}

/** Another offer of a line, such as "Hillfoot, no. 77: 2 packs of 1, €11.00, here in 2 working days". */
export function otherOfferWords(taken: TakenOffer<Offer>, currency: string, day: (iso: string) => string): string {
  const cost = printCost(taken.costMinor, taken.offer.currency ?? currency);
  const lead = leadWords(taken.offer, day);
  return `${offererWords(taken.offer)}: ${packsWords(taken)}, ${cost}${lead && `, ${lead}`}`;
}
