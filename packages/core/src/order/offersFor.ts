/** Which of a part's offers is taken for the pieces that are needed. */

/** What is not known comes after what is. */
const LAST = Number.POSITIVE_INFINITY;

/** Of an offer what decides between it and another. */
export type OfferTerms = {
  readonly supplier: string;
  /** The supplier's own number for it. */
  readonly number: string;
  /** Pieces in a pack, at least 1. */
  readonly packSize: number;
  /** In minor units of `currency`; null where it is not known. */
  readonly packPriceMinor: number | null;
  /** Null for the shop's own. */
  readonly currency: string | null;
  /** Working days; null where nobody knows. */
  readonly leadDays: number | null;
  readonly leastPacks: number;
  /** Pieces that the supplier said he has; null where nobody asked. */
  readonly stock: { readonly pieces: number } | null;
};

/** An offer taken up for so many pieces. */
export type TakenOffer<Terms extends OfferTerms = OfferTerms> = {
  readonly offer: Terms;
  readonly packs: number;
  /** Pieces that come along and are not needed. */
  readonly leftOver: number;
  /** In minor units of the offer's currency; null where its price is not known. */
  readonly costMinor: number | null;
};

/**
 * The offers of a part for a number of pieces, the one to take first: one that is known to have too few of them comes after all others;
 * then what it costs all together in the shop's currency, with what is left over and the least order in it; other currencies and prices
 * that nobody knows after those; then what comes sooner.
 *
 * @param pieces at least 1
 */
export function offersFor<Terms extends OfferTerms>(
  offers: readonly Terms[],
  pieces: number,
): readonly TakenOffer<Terms>[] {
  return offers.map((offer) => takenFor(offer, pieces)).sort((a, b) => byMerit(a, b, pieces));
}

function takenFor<Terms extends OfferTerms>(offer: Terms, pieces: number): TakenOffer<Terms> {
  const packs = Math.max(offer.leastPacks, Math.ceil(pieces / offer.packSize));
  return {
    offer,
    packs,
    leftOver: packs * offer.packSize - pieces,
    costMinor: offer.packPriceMinor === null ? null : packs * offer.packPriceMinor,
  };
}

function byMerit(a: TakenOffer, b: TakenOffer, pieces: number): number {
  const isShort = ({ offer: { stock } }: TakenOffer) => Number(stock !== null && stock.pieces < pieces);
  const cost = ({ offer, costMinor }: TakenOffer) => (offer.currency === null ? (costMinor ?? LAST) : LAST);
  const days = ({ offer }: TakenOffer) => offer.leadDays ?? LAST;
  return (
    isShort(a) - isShort(b) ||
    ascending(cost(a), cost(b)) ||
    ascending(days(a), days(b)) ||
    a.offer.supplier.localeCompare(b.offer.supplier, 'en') ||
    a.offer.number.localeCompare(b.offer.number, 'en')
  );
}

/** Of two that are both without end neither comes first. */
function ascending(a: number, b: number): number {
  return a === b ? 0 : a - b;
}
