/** Which column of a supplier's list is what: guessed by the words above it, and by what stands in it. */
import { PART_KINDS, type PartKind } from '../catalogue';
import { type ColumnUnit, decimalSignOf, isNothing, readAmount, tidyCell } from '../cells';
import {
  FIGURE_COLUMNS,
  type FigureColumn,
  figureHeadings,
  isFigureColumn,
  kindNamed,
  kindPlural,
  plainWords,
  specOf,
} from './figureColumns';

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
  'partKind',
  'fits',
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
export type NamedColumn = (typeof OFFER_COLUMNS)[number] | (typeof SPEAKER_COLUMNS)[number];
export type ListColumn = NamedColumn | FigureColumn;
export const LIST_COLUMNS: readonly ListColumn[] = [...OFFER_COLUMNS, ...SPEAKER_COLUMNS, ...FIGURE_COLUMNS];

/** What is called what, whatever the list is of. */
export const LIST_COLUMN_LABELS: Readonly<Record<NamedColumn, string>> = {
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
  partKind: 'Kind of part',
  fits: 'Cars it is said to fit',
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

/** What a column of a list of this kind holds that has units; null for others. */
export function measureOf(kind: PartKind, column: ListColumn | null): 'length' | 'mass' | null {
  if (column === null) return null;
  if (isFigureColumn(column)) return specOf(kind, column)?.measure ?? null;
  if (column === 'mass') return 'mass';
  return (LENGTH_COLUMNS as readonly ListColumn[]).includes(column) ? 'length' : null;
}

/** What a column is called in a list of this kind. */
export function columnLabel(kind: PartKind, column: ListColumn): string {
  if (!isFigureColumn(column)) return LIST_COLUMN_LABELS[column];
  const spec = specOf(kind, column);
  return (spec?.measure ? spec.label.replace(/, [^,]+$/, '') : spec?.label) ?? column;
}

/** Words above a column, without accents, dots and units, the surest first; common practice, no source. */
type Heading = readonly [ListColumn, RegExp];
const HEADINGS: readonly Heading[] = [
  ['partKind', /^(kind of part|part kind|product group|warengruppe|artikelgruppe|productgroep)$/],
  [
    'fits',
    /^(fits( cars)?|fitment|vehicle fitment|vehicles?|cars?( it is said to fit)?|applications?|suitable for|passend fur|fahrzeuge?|geschikt voor|vehicules?)$/,
  ],
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
    /^((supplier s |our )?(art(icle|ikel)?|item|order|part|product|stock|bestell|bestel)s?[ -]?(no|nr|num(ber)?|nummer|code)|sku|ref(erence)?|code|art|no|nr|number|supplier s number)$/,
  ],
  [
    'name',
    /^(name|description|desc|product|modell?e?|type|article|bezeichnung|artikel|beschreibung|omschrijving|designation|produit)$/,
  ],
];
/** A unit at the end of a heading, such as "Depth, mm" or "Weight (kg)". */
const UNIT_AT_END =
  /^(.+?) (mm|cm|m|in|inch|inches|zoll|g|gr|grams?|kg|lbs?|oz|ohms?|ω|w|watts?|db|eur|gbp|usd|chf|mm²|mm2|sqmm|qmm|v|volts?|a|amps?|µf|uf|mh|hz|%|°|kg m²)$/;
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
  /** What kind of parts its figures are of. */
  readonly of: PartKind;
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

/**
 * @param table as it was read; the rows may be of any length
 * @param of what kind of parts its figures are of; null where nobody says, and it is guessed too
 */
export function guessColumns(table: Table, of: PartKind | null = null): GuessedColumns {
  const width = table.reduce((most, row) => Math.max(most, row.length), 0);
  const found = of === null ? guessKind(table, width) : { of, ...headingsOf(table, width, of) };
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
    of: found.of,
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

/** A kind needs so many columns of its own to be taken for what a list is of. */
const LEAST_OF_KIND = 2;

/**
 * What kind of parts a list is of: what its own column says most often; otherwise the kind that knows most of its headings, of several
 * the one that is named most often in its rows. A list of which nothing tells is one of speakers.
 */
function guessKind(table: Table, width: number): Found & { readonly of: PartKind } {
  const speakers = { of: 'speaker' as PartKind, ...headingsOf(table, width, 'speaker') };
  const said = speakers.columns.indexOf('partKind');
  if (said >= 0) {
    const kinds = table.slice(speakers.headRows).map((row) => kindNamed(row[said] ?? ''));
    const [most] = PART_KINDS.map((kind) => ({ kind, rows: kinds.filter((each) => each === kind).length })).sort(
      (a, b) => b.rows - a.rows,
    );
    if (most && most.rows > 0) return { of: most.kind, ...headingsOf(table, width, most.kind) };
  }
  const others = PART_KINDS.filter((kind) => kind !== 'speaker')
    .map((of) => ({ of, ...headingsOf(table, width, of) }))
    .filter(({ columns, known }) => columns.filter(isFigureColumn).length >= LEAST_OF_KIND && known > speakers.known)
    .map((found) => ({ ...found, score: found.known + mentionsOf(found.of, table) }))
    .sort((a, b) => b.score - a.score);
  return others[0] ?? speakers;
}

/** The share of rows that name a kind of parts, or of all where a line above them does; below 1. */
function mentionsOf(kind: PartKind, table: Table): number {
  const words = new RegExp(`\\b${kindPlural(kind).replace(/e?s$/, '(e?s)?')}\\b`, 'i');
  const rows = table.slice(0, LOOKED_AT);
  return rows.filter((row) => row.some((cell) => words.test(cell))).length / (rows.length + 1);
}

type Found = {
  /** How many columns have a heading that is known. */
  readonly known: number;
  readonly headRows: number;
  readonly columns: readonly (ListColumn | null)[];
  readonly heads: readonly string[];
};

function headingsOf(table: Table, width: number, of: PartKind): Found {
  const headings = headingsFor(of);
  let best = {
    headRows: 0,
    columns: Array.from({ length: width }, (): ListColumn | null => null),
    heads: [] as readonly string[],
    known: 0,
  };
  for (let at = 0; at < Math.min(MOST_ABOVE, table.length); at++) {
    // A heading may run over two rows: the second alone, and both together.
    for (const heads of [table[at], joined(table[at - 1], table[at], width)]) {
      const columns = namedBy(heads ?? [], width, headings);
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

/** Of other parts than speakers their own figures first: "type" is what a screw is, and no name of it. */
function headingsFor(of: PartKind): readonly Heading[] {
  if (of === 'speaker') return HEADINGS;
  const offers: readonly ListColumn[] = OFFER_COLUMNS;
  return [...figureHeadings(of), ...HEADINGS.filter(([column]) => offers.includes(column))];
}

function namedBy(heads: readonly string[], width: number, headings: readonly Heading[]): (ListColumn | null)[] {
  const columns = Array.from({ length: width }, (): ListColumn | null => null);
  const wholes = heads.map(plainWords);
  const words = wholes.map((whole) => withoutUnit(whole).words);
  for (const [column, pattern] of headings) {
    if (columns.includes(column)) continue;
    const isNamed = (each: number) => pattern.test(words[each] ?? '') || pattern.test(wholes[each] ?? '');
    const at = words.findIndex(
      (word, each) => columns[each] === null && isNamed(each) && !(column === 'price' && NOT_OURS.test(word)),
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
