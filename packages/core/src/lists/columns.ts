/** Which column of a supplier's list is what: guessed by the words above it, and by what stands in it. */
import { decimalSignOf, isNothing, readAmount, tidyCell } from './cells';

/** A list as rows of cells, as they were written. */
export type Table = readonly (readonly string[])[];

export const OFFER_COLUMNS = [
  'number',
  'makersNumber',
  'maker',
  'name',
  'price',
  'packSize',
  'currency',
  'leadDays',
  'leastPacks',
  'stock',
] as const;
export type OfferColumn = (typeof OFFER_COLUMNS)[number];

export const OFFER_COLUMN_LABELS: Readonly<Record<OfferColumn, string>> = {
  number: 'Supplier’s number',
  makersNumber: 'Maker’s number',
  maker: 'Maker',
  name: 'Name',
  price: 'Price of a pack',
  packSize: 'Pieces in a pack',
  currency: 'Currency',
  leadDays: 'Working days until here',
  leastPacks: 'Packs at least',
  stock: 'Pieces in stock',
};

/** Words above a column, without accents and dots, the surest first; common practice, no source. */
const HEADINGS: readonly (readonly [OfferColumn, RegExp])[] = [
  [
    'makersNumber',
    /^(mpn|(maker|manufacturer|mfr|hersteller|fabrikant|oem)( ?s)? ?(part ?)?(no|nr|num(ber)?|nummer|code|ref))$/,
  ],
  ['leastPacks', /^(moq|min(imum)?( ?(order|qty|packs?|order qty))?|packs at least|mindest(menge|abnahme))$/],
  [
    'stock',
    /^((in |free )?stock|stock qty|pieces in stock|available|availability|bestand|lager(bestand)?|verfugbar|voorraad)$/,
  ],
  ['leadDays', /^(lead( ?time)?|lead days|delivery( ?time)?|lieferzeit|levertijd|delai|days|working days until here)$/],
  ['currency', /^(currency|curr?|wahrung|valuta|devise)$/],
  [
    'packSize',
    /^(pack( ?(size|qty|of))?|pieces in a pack|pieces|pcs|qty|per pack|ve|vpe|stk|menge|inhalt|verpakking)$/,
  ],
  [
    'price',
    /^((your |net|nett|netto|dealer|trade|unit|pack|ek|einkaufs|cost) ?(price|preis|prijs)?|price( of a pack)?|(netto|ek|einkaufs)preis|prix( ht| net)?|prijs|preis)( ?(eur|gbp|usd|chf))?$/,
  ],
  ['maker', /^(maker|make|brand|manufacturer|mfr|hersteller|marke|merk|marque|fabricant)$/],
  [
    'number',
    /^((supplier s |our )?(art(icle|ikel)?|item|order|part|product|stock|bestell|bestel)s?[ -]?(no|nr|num(ber)?|nummer|code)|sku|ref(erence)?|code|art|nr|number|supplier s number)$/,
  ],
  [
    'name',
    /^(name|description|desc|product|model|type|article|bezeichnung|artikel|beschreibung|omschrijving|designation|produit)$/,
  ],
];
/** What somebody else is to pay is no price of ours. */
const NOT_OURS = /rrp|uvp|retail|list|vk|brutto|gross|recommended/;
/** Headings stand within so many rows from the top. */
const MOST_ABOVE = 20;
/** So many rows are looked at to see what a column holds. */
const LOOKED_AT = 200;

export type GuessedColumns = {
  /** How many rows stand above the first one of the list itself. */
  readonly headRows: number;
  /** Of each column what it is; null for what is left aside. */
  readonly columns: readonly (OfferColumn | null)[];
};

/** @param table as it was read; the rows may be of any length */
export function guessColumns(table: Table): GuessedColumns {
  const width = table.reduce((most, row) => Math.max(most, row.length), 0);
  const found = headingsOf(table, width);
  const columns = [...found.columns];
  // A list of figures without a word above them: amounts with decimals are prices, what is different in every row a number.
  if (!columns.includes('price')) {
    const at = columns.findIndex((column, each) => column === null && isPrices(cellsOf(table, found.headRows, each)));
    if (at >= 0) columns[at] = 'price';
  }
  if (!columns.includes('number')) {
    const at = columns.findIndex((column, each) => column === null && isNumbers(cellsOf(table, found.headRows, each)));
    if (at >= 0) columns[at] = 'number';
  }
  return { headRows: found.headRows, columns };
}

function headingsOf(table: Table, width: number): { headRows: number; columns: (OfferColumn | null)[] } {
  let best = { headRows: 0, columns: Array.from({ length: width }, (): OfferColumn | null => null), known: 0 };
  for (let at = 0; at < Math.min(MOST_ABOVE, table.length); at++) {
    // A heading may run over two rows: the second alone, and both together.
    for (const heads of [table[at], joined(table[at - 1], table[at], width)]) {
      const columns = namedBy(heads ?? [], width);
      const known = columns.filter((column) => column !== null).length;
      if (known >= 2 && known > best.known) best = { headRows: at + 1, columns, known };
    }
  }
  return best;
}

function joined(above: readonly string[] | undefined, below: readonly string[] | undefined, width: number) {
  if (!above || !below) return undefined;
  return Array.from({ length: width }, (_, at) => `${above[at] ?? ''} ${below[at] ?? ''}`);
}

function namedBy(heads: readonly string[], width: number): (OfferColumn | null)[] {
  const columns = Array.from({ length: width }, (): OfferColumn | null => null);
  const words = heads.map(plainWords);
  for (const [column, pattern] of HEADINGS) {
    if (columns.includes(column)) continue;
    const at = words.findIndex(
      (word, each) => columns[each] === null && pattern.test(word) && !(column === 'price' && NOT_OURS.test(word)),
    );
    if (at >= 0) columns[at] = column;
  }
  return columns;
}

function plainWords(text: string): string {
  return tidyCell(text)
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[€£$()[\].:/'’*_-]+/g, ' ')
    .replace(/ +/g, ' ')
    .trim();
}

function cellsOf(table: Table, headRows: number, column: number): readonly string[] {
  return table
    .slice(headRows, headRows + LOOKED_AT)
    .map((row) => row[column] ?? '')
    .filter((cell) => !isNothing(cell));
}

function isPrices(cells: readonly string[]): boolean {
  const sign = decimalSignOf(cells);
  if (sign === null) return false;
  const read = cells.filter((cell) => readAmount(cell, sign).ok).length;
  return cells.length > 0 && read / cells.length > 0.9;
}

function isNumbers(cells: readonly string[]): boolean {
  const withFigures = cells.filter((cell) => /\d/.test(cell) && tidyCell(cell).length <= 40).length;
  const different = new Set(cells.map((cell) => tidyCell(cell).toLowerCase())).size;
  return cells.length > 0 && withFigures / cells.length > 0.9 && different / cells.length > 0.95;
}
