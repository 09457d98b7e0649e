/**
 * What a supplier's list changes: each row is led to a part by the supplier's own number, by the maker's, or by maker and name; his offer
 * of it is changed in what the list says, and in nothing else.
 */
import { MOST_OFFERS, type Offer, offerKey, type PartRecord } from '../catalogue';
import { median } from '../math';
import type { Finding, ListRow, SupplierList } from './readList';

/** Of a part what a row is led to it by, and its offers. */
export type OfferedPart = Pick<PartRecord, 'id' | 'maker' | 'name' | 'number' | 'aliases' | 'offers'>;

export type OfferPlan = {
  /** Parts with other offers than before, by their ids. */
  readonly changes: ReadonlyMap<string, readonly Offer[]>;
  readonly added: number;
  readonly changed: number;
  readonly same: number;
  /** Rows with the part that each is of. */
  readonly matched: readonly { readonly row: ListRow; readonly partId: string }[];
  /** Rows that no part is known for. */
  readonly unknown: readonly ListRow[];
  /** Lines that are kept out by a finding, of the reading too. */
  readonly keptOut: readonly number[];
  /** The middle one of all prices that changed, as new over old; null where none did. */
  readonly priceRatio: number | null;
  /** How many offers of this supplier are not in the list. */
  readonly gone: number;
  readonly findings: readonly Finding[];
};

type Given = {
  readonly supplier: string;
  readonly parts: readonly OfferedPart[];
  /** The day the list is of, as ISO 8601: what it says of stock is of then. */
  readonly day: string;
  /** Whether somebody looked at what is doubtful, and it is right. */
  readonly withDoubts: boolean;
};

/** A price that is so many times another, or a part of it, is doubted: a decimal sign is lost more often than a price trebles. */
const DOUBTED_RATIO = 3;

export function planOffers(list: SupplierList, { supplier, parts, day, withDoubts }: Given): OfferPlan {
  const known = new KnownParts(parts, supplier);
  const findings = [...list.findings];
  const changes = new Map<string, Offer[]>();
  const unknown: ListRow[] = [];
  const matched: { row: ListRow; partId: string }[] = [];
  const ratios: number[] = [];
  const seen = new Set<Offer>();
  const counts = { added: 0, changed: 0, same: 0 };
  for (const row of list.rows) {
    const found = known.find(row);
    if (found.length === 0) {
      unknown.push(row);
      continue;
    }
    const [part] = found;
    if (!part || found.length > 1) {
      const names = found.slice(0, 3).map(({ maker, name }) => `${maker} ${name}`);
      findings.push(
        rowFinding(
          'error',
          row,
          `${found.length} parts are called so: ${names.join('; ')}. The supplier’s own number would tell them apart.`,
        ),
      );
      continue;
    }
    matched.push({ row, partId: part.id });
    const offers = changes.get(part.id) ?? [...part.offers];
    const before = offerBefore(offers, supplier, row);
    if (before) seen.add(before);
    const doubt = before && doubtOf(before, row);
    if (doubt) {
      findings.push(rowFinding('doubt', row, doubt));
      if (!withDoubts) continue;
    }
    const after = offerOf(before, row, supplier, day);
    if (before && JSON.stringify(before) === JSON.stringify(after)) {
      counts.same++;
      continue;
    }
    if (!before && offers.length >= MOST_OFFERS) {
      findings.push(
        rowFinding('error', row, `${part.maker} ${part.name} has ${MOST_OFFERS} offers already: take one off first.`),
      );
      continue;
    }
    if (before?.packPriceMinor && after.packPriceMinor && before.packPriceMinor !== after.packPriceMinor)
      ratios.push(perPiece(after) / perPiece(before));
    counts[before ? 'changed' : 'added']++;
    seen.add(after);
    changes.set(part.id, before ? offers.map((offer) => (offer === before ? after : offer)) : [...offers, after]);
  }
  const mine = parts.flatMap(({ offers }) => offers.filter((offer) => isOf(offer, supplier)));
  return {
    changes,
    ...counts,
    matched,
    unknown,
    keptOut: [
      ...new Set(
        findings.filter(({ grade }) => grade === 'error' || (grade === 'doubt' && !withDoubts)).map(({ line }) => line),
      ),
    ].sort((a, b) => a - b),
    priceRatio: ratios.length === 0 ? null : median(ratios),
    gone: mine.filter((offer) => !seen.has(offer) && !list.numbers.has(offer.number.toLowerCase())).length,
    findings: findings.sort((a, b) => a.line - b.line),
  };
}

class KnownParts {
  private readonly byOffer = new Map<string, OfferedPart[]>();
  private readonly byNumber = new Map<string, OfferedPart[]>();
  private readonly byName = new Map<string, OfferedPart[]>();

  constructor(
    parts: readonly OfferedPart[],
    private readonly supplier: string,
  ) {
    for (const part of parts) {
      for (const offer of part.offers)
        if (offer.number !== '' && isOf(offer, supplier)) put(this.byOffer, offerKey(offer), part);
      for (const name of [part.number, ...part.aliases]) if (name !== '') put(this.byNumber, plain(name), part);
      for (const name of [part.name, ...part.aliases]) put(this.byName, plain(`${part.maker} ${name}`), part);
    }
  }

  /** By the surest of what the row says; none, one, or all that it may be. */
  find({ number, makersNumber, maker, name }: ListRow): readonly OfferedPart[] {
    const byOffer = number === '' ? undefined : this.byOffer.get(offerKey({ supplier: this.supplier, number }));
    if (byOffer) return byOffer;
    const byNumber = makersNumber === '' ? undefined : this.byNumber.get(plain(makersNumber));
    const sameMaker = byNumber?.filter((part) => maker === '' || plain(part.maker) === plain(maker));
    if (sameMaker && sameMaker.length > 0) return sameMaker;
    // Where the maker has no column of his own he stands before the name.
    return this.byName.get(plain(maker === '' ? name : `${maker} ${name}`)) ?? this.byName.get(plain(name)) ?? [];
  }
}

function put(into: Map<string, OfferedPart[]>, key: string, part: OfferedPart): void {
  const there = into.get(key);
  if (!there) into.set(key, [part]);
  else if (!there.includes(part)) there.push(part);
}

/** As it is the same however it is written: without accents, signs and blanks, 6½ as 6.5. */
function plain(text: string): string {
  return text
    .normalize('NFD')
    .toLowerCase()
    .replace(/½/g, '5')
    .replace(/[^\p{L}\p{N}]/gu, '');
}

/** The supplier's offer with this number; or his only one whose number nobody wrote down. */
function offerBefore(offers: readonly Offer[], supplier: string, { number }: ListRow): Offer | null {
  const own = offers.filter((offer) => isOf(offer, supplier));
  const numberless = own.filter((offer) => offer.number === '');
  const named = own.find((offer) => offer.number.toLowerCase() === number.toLowerCase());
  return named ?? (numberless.length === 1 ? (numberless[0] as Offer) : null);
}

function isOf({ supplier }: Offer, name: string): boolean {
  return supplier.toLowerCase() === name.toLowerCase();
}

/** What the list says; of what it says nothing stays what was known. */
export function offerOf(before: Offer | null, row: ListRow, supplier: string, day: string): Offer {
  return {
    supplier: before?.supplier ?? supplier,
    number: before?.number || row.number,
    packSize: row.packSize ?? before?.packSize ?? 1,
    packPriceMinor: row.packPriceMinor ?? before?.packPriceMinor ?? null,
    currency: row.packPriceMinor === null ? (before?.currency ?? null) : row.currency,
    leadDays: row.leadDays ?? before?.leadDays ?? null,
    leastPacks: row.leastPacks ?? before?.leastPacks ?? 1,
    stock: row.stockPieces === null ? (before?.stock ?? null) : { pieces: row.stockPieces, asOf: day },
  };
}

function doubtOf(before: Offer, row: ListRow): string | null {
  if (before.packPriceMinor === null || row.packPriceMinor === null || before.packPriceMinor === 0) return null;
  if (before.currency !== row.currency) return null;
  const now = row.packPriceMinor / (row.packSize ?? before.packSize);
  const ratio = now / perPiece(before);
  if (ratio <= DOUBTED_RATIO && ratio >= 1 / DOUBTED_RATIO) return null;
  const [was, is] = [before.packPriceMinor, row.packPriceMinor].map((minor) => (minor / 100).toFixed(2));
  const times = ratio > 1 ? `${Math.round(ratio)} times as much` : `1/${Math.round(1 / ratio)} of it`;
  return `The pack was ${was} and would be ${is}: ${times} a piece. A lost decimal sign, another pack or a shifted column?`;
}

function perPiece({ packPriceMinor, packSize }: Offer): number {
  return (packPriceMinor ?? 0) / packSize;
}

function rowFinding(grade: Finding['grade'], { line }: ListRow, message: string): Finding {
  return { grade, line, column: null, message };
}
