/** Which column of a supplier's list is what: guessed by the words above it, and by what stands in it. */
import { type ColumnUnit, decimalSignOf, isNothing, readAmount, tidyCell } from '../cells';

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
/** What a list says of a speaker itself. */
export const SPEAKER_COLUMNS = [
  'speakerKind',
  'size',
  'cutout',
  'flange',
  'flangeThickness',
  'depth',
  'frontHeight',
  'magnet',
  'mass',
  'impedance',
  'power',
  'peakPower',
  'otherPower',
  'sensitivity',
  'boltCircle',
  'holes',
  'terminals',
] as const;
export const LIST_COLUMNS = [...OFFER_COLUMNS, ...SPEAKER_COLUMNS] as const;
export type ListColumn = (typeof LIST_COLUMNS)[number];

export const LIST_COLUMN_LABELS: Readonly<Record<ListColumn, string>> = {
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
  speakerKind: 'Kind of speaker',
  size: 'Nominal size',
  cutout: 'Cutout',
  flange: 'Flange, across',
  flangeThickness: 'Flange thickness',
  depth: 'Mounting depth',
  frontHeight: 'Front height',
  magnet: 'Magnet',
  mass: 'Mass',
  impedance: 'Impedance',
  power: 'Power, RMS',
  peakPower: 'Power, peak',
  otherPower: 'Power of an unstated kind',
  sensitivity: 'Sensitivity',
  boltCircle: 'Bolt circle',
  holes: 'Screw holes',
  terminals: 'Terminals',
};

export const LENGTH_COLUMNS = [
  'cutout',
  'flange',
  'flangeThickness',
  'depth',
  'frontHeight',
  'magnet',
  'boltCircle',
] as const satisfies readonly ListColumn[];
export type LengthColumn = (typeof LENGTH_COLUMNS)[number];

export function isLengthColumn(column: ListColumn | null): column is LengthColumn {
  return (LENGTH_COLUMNS as readonly (ListColumn | null)[]).includes(column);
}

/** Words above a column, without accents, dots and units, the surest first; common practice, no source. */
const HEADINGS: readonly (readonly [ListColumn, RegExp])[] = [
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
  ['boltCircle', /^(bolt circle|pcd|(screw|hole|mounting) circle|lochkreis|steekcirkel|entraxe)( ?dia(meter)?)?$/],
  ['holes', /^((number of |no of )?(screw |mounting )?holes|bohrungen|locher|gaten|trous)$/],
  [
    'flangeThickness',
    /^((flange|frame|rim) ?(thickness|thk|height)|flanschdicke|randdicke|flensdikte|epaisseur( de)?( la)? collerette)$/,
  ],
  [
    'depth',
    /^((mounting|mount|mtg|installation|install|montage) ?depth|depth( (behind|below|under|from( the)? top of)( the)? flange)?|(mounting )?depth from( the)? (top|underside)( of( the)? flange)?|einbautiefe|tiefe|inbouwdiepte|diepte|profondeur( de montage| d encastrement)?)$/,
  ],
  [
    'cutout',
    /^(cut ?out|mounting (hole|diameter)|hole|ausschnitt|einbau(offnung|durchmesser)|lochausschnitt|uitsparing|decoupe|encastrement)( ?(dia(meter)?|size|o|ø))?$/,
  ],
  [
    'flange',
    /^((flange|frame|outer|outside|overall)( ?(dia(meter)?|size|width|across|o|ø))?|flange across|od|aussendurchmesser|gesamtdurchmesser|korbdurchmesser|buitendiameter|diametre exterieur)$/,
  ],
  [
    'frontHeight',
    /^(front( ?(height|projection))?|tweeter (height|protrusion)|(height|projection|protrusion)( (above|over|in front of)( the)? flange)?|aufbauhohe|hohe vorn|hauteur( avant)?)$/,
  ],
  ['magnet', /^(magnet( ?(dia(meter)?|size|o|ø))?|magnetdurchmesser|magneet( ?diameter)?|aimant)$/],
  ['mass', /^((net |unit )?(mass|weight|wt)|gewicht|masse|poids)( each)?$/],
  ['impedance', /^((nom(inal)? )?(impedance|imp)|z|ohms?|impedanz|impedantie)$/],
  [
    'peakPower',
    /^((max(imum)?|peak|music|musik) ?(power( handling)?|watts?|belastbarkeit|leistung)?|power (max(imum)?|peak)|maximalbelastbarkeit|musikbelastbarkeit)$/,
  ],
  [
    'power',
    /^(rms( ?(power( handling)?|watts?))?|(power( handling)?|watts?|belastbarkeit|vermogen|puissance) rms|(continuous|nominal) power|nennbelastbarkeit)$/,
  ],
  ['otherPower', /^(power( handling| rating| of an unstated kind)?|watts?|belastbarkeit|leistung|vermogen|puissance)$/],
  [
    'sensitivity',
    /^(sensitivity|spl|efficiency|empfindlichkeit|kennschalldruck|wirkungsgrad|gevoeligheid|sensibilite|rendement)( .{0,12})?$/,
  ],
  ['terminals', /^(terminals?|connection|anschlusse?|aansluiting|bornes)$/],
  ['size', /^((nominal |speaker )?size|inch(es)?|(nenn)?grosse|maat|taille)$/],
  ['speakerKind', /^(kind( of speaker)?|speaker (kind|type)|category|bauart|soort|systeme?)$/],
  [
    'number',
    /^((supplier s |our )?(art(icle|ikel)?|item|order|part|product|stock|bestell|bestel)s?[ -]?(no|nr|num(ber)?|nummer|code)|sku|ref(erence)?|code|art|nr|number|supplier s number)$/,
  ],
  [
    'name',
    /^(name|description|desc|product|modell?e?|type|article|bezeichnung|artikel|beschreibung|omschrijving|designation|produit)$/,
  ],
];
/** A unit at the end of a heading, such as "Depth, mm" or "Weight (kg)". */
const UNIT_AT_END =
  /^(.+?)[ ,]*\b(mm|cm|in|inch|inches|zoll|g|gr|grams?|kg|lbs?|oz|ohms?|w|watts?|db|eur|gbp|usd|chf)$/;
const UNITS: Readonly<Record<string, ColumnUnit>> = {
  ...{ mm: 'mm', cm: 'cm', in: 'in', inch: 'in', inches: 'in', zoll: 'in' },
  ...{ g: 'g', gr: 'g', gram: 'g', grams: 'g', kg: 'kg', lb: 'lb', lbs: 'lb', oz: 'oz' },
};
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
  readonly columns: readonly (ListColumn | null)[];
  /** Of each column what its heading says it is in; null where it says nothing. */
  readonly units: readonly (ColumnUnit | null)[];
  /** Where a depth counts from, by its heading. */
  readonly depthDatum: DepthDatum;
};
export type DepthDatum = 'underside' | 'top' | 'notStated';

/** @param table as it was read; the rows may be of any length */
export function guessColumns(table: Table): GuessedColumns {
  const width = table.reduce((most, row) => Math.max(most, row.length), 0);
  const found = headingsOf(table, width);
  const columns = [...found.columns];
  const words = found.heads.map(plainWords);
  // Of a column without a word above it: amounts with decimals are prices, what is different in every row a number.
  const isUnnamed = (at: number) => columns[at] === null && !words[at];
  if (!columns.includes('price')) {
    const at = columns.findIndex((_, each) => isUnnamed(each) && isPrices(cellsOf(table, found.headRows, each)));
    if (at >= 0) columns[at] = 'price';
  }
  if (!columns.includes('number')) {
    const at = columns.findIndex((column, each) => column === null && isNumbers(cellsOf(table, found.headRows, each)));
    if (at >= 0) columns[at] = 'number';
  }
  const depth = words[columns.indexOf('depth')] ?? '';
  return {
    headRows: found.headRows,
    columns,
    units: columns.map((_, at) => withoutUnit(words[at] ?? '').unit),
    depthDatum: /\btop\b/.test(depth)
      ? 'top'
      : /\b(underside|behind|below|under)\b/.test(depth)
        ? 'underside'
        : 'notStated',
  };
}

type Found = {
  readonly headRows: number;
  readonly columns: readonly (ListColumn | null)[];
  readonly heads: readonly string[];
};

function headingsOf(table: Table, width: number): Found {
  let best = {
    headRows: 0,
    columns: Array.from({ length: width }, (): ListColumn | null => null),
    heads: [] as readonly string[],
    known: 0,
  };
  for (let at = 0; at < Math.min(MOST_ABOVE, table.length); at++) {
    // A heading may run over two rows: the second alone, and both together.
    for (const heads of [table[at], joined(table[at - 1], table[at], width)]) {
      const columns = namedBy(heads ?? [], width);
      const known = columns.filter((column) => column !== null).length;
      const isFuller = known > best.known || (known === best.known && isOfUnits(table[at] ?? []));
      if (known >= 2 && isFuller) best = { headRows: at + 1, columns, heads: heads ?? [], known };
    }
  }
  return best;
}

/** Such as `| | (mm) | (kg) |` below the names of the columns. */
function isOfUnits(cells: readonly string[]): boolean {
  const words = cells.map(plainWords).filter((word) => word !== '');
  return words.length > 0 && words.every((word) => withoutUnit(`of ${word}`).words === 'of');
}

function joined(above: readonly string[] | undefined, below: readonly string[] | undefined, width: number) {
  if (!above || !below) return undefined;
  return Array.from({ length: width }, (_, at) => `${above[at] ?? ''} ${below[at] ?? ''}`);
}

function namedBy(heads: readonly string[], width: number): (ListColumn | null)[] {
  const columns = Array.from({ length: width }, (): ListColumn | null => null);
  const words = heads.map((head) => withoutUnit(plainWords(head)).words);
  for (const [column, pattern] of HEADINGS) {
    if (columns.includes(column)) continue;
    const at = words.findIndex(
      (word, each) => columns[each] === null && pattern.test(word) && !(column === 'price' && NOT_OURS.test(word)),
    );
    if (at >= 0) columns[at] = column;
  }
  return columns;
}

/** Of a heading in plain words what it names, and in what. */
function withoutUnit(heading: string): { readonly words: string; readonly unit: ColumnUnit | null } {
  const [, words, unit = ''] = UNIT_AT_END.exec(heading) ?? [];
  return words === undefined ? { words: heading, unit: null } : { words: words.trim(), unit: UNITS[unit] ?? null };
}

function plainWords(text: string): string {
  return tidyCell(text)
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/ß/g, 'ss')
    .replace(/["”″]/g, ' in ')
    .replace(/[€£$()[\].,:/'’*_-]+/g, ' ')
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
