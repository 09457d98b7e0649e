/**
 * Order lines: the pieces that all chosen openings need together, rounded up to the packs they are sold in, from the supplier who
 * sells them best.
 */
import { type OfferTerms, offersFor, type TakenOffer } from './offersFor';

export type Need = {
  readonly partId: string;
  readonly pieces: number;
  /** Where it goes, for the line's reason: "Front door, left". */
  readonly forOpening: string;
};

export type OrderablePart<Kind extends string = string> = {
  readonly id: string;
  readonly kind: Kind;
  readonly maker: string;
  readonly name: string;
  readonly offers: readonly OfferTerms[];
};

export type OrderLine<Part extends OrderablePart = OrderablePart> = {
  readonly part: Part;
  readonly pieces: number;
  /** Of these, lying put aside for the job; never more than are needed. */
  readonly aside: number;
  /** The one to take for the rest; null where nobody is known to sell it, or nothing is to be bought. */
  readonly taken: TakenOffer<Part['offers'][number]> | null;
  /** The rest of them, in the order in which they would be taken. */
  readonly others: readonly TakenOffer<Part['offers'][number]>[];
  readonly forOpenings: readonly string[];
};

/**
 * One line a part, in the order of the kinds, then by maker and name.
 *
 * @param aside pieces of a part that lie put aside for the job: only what is missing is bought
 * @throws when a need names a part that is not in `parts`, or a count that is no whole number of at least 1: the
 *   calling code has mixed up its catalogue
 */
export function orderLines<Kind extends string, Part extends OrderablePart<Kind>>(
  needs: readonly Need[],
  parts: ReadonlyMap<string, Part>,
  kinds: readonly Kind[],
  aside: ReadonlyMap<string, number> = new Map(),
): readonly OrderLine<Part>[] {
  const byPart = new Map<string, { pieces: number; forOpenings: string[] }>();
  for (const { partId, pieces, forOpening } of needs) {
    if (!Number.isInteger(pieces) || pieces < 1)
      throw new Error(`orderLines: expected whole pieces of ${partId}, got ${pieces}`);
    const line = byPart.get(partId) ?? { pieces: 0, forOpenings: [] };
    line.pieces += pieces;
    if (!line.forOpenings.includes(forOpening)) line.forOpenings.push(forOpening);
    byPart.set(partId, line);
  }
  return [...byPart]
    .map(([partId, line]) => toLine(partId, line, parts, aside.get(partId) ?? 0))
    .sort(byKindThenName(kinds));
}

function toLine<Part extends OrderablePart>(
  partId: string,
  { pieces, forOpenings }: { pieces: number; forOpenings: readonly string[] },
  parts: ReadonlyMap<string, Part>,
  lying: number,
): OrderLine<Part> {
  const part = parts.get(partId);
  if (!part) throw new Error(`orderLines: expected a part of the catalogue, got ${partId}`);
  const aside = Math.min(lying, pieces);
  const [taken = null, ...others] = aside === pieces ? [] : offersFor(part.offers, pieces - aside);
  return { part, pieces, aside, taken, others, forOpenings };
}

function byKindThenName(kinds: readonly string[]): (a: OrderLine, b: OrderLine) => number {
  const words = ({ part }: OrderLine) => `${part.maker} ${part.name} ${part.id}`;
  return (a, b) => kinds.indexOf(a.part.kind) - kinds.indexOf(b.part.kind) || words(a).localeCompare(words(b), 'en');
}
