/** Columns of what a list says of parts that are no speakers: the figures of each kind, as they are asked for where one is typed. */
import { FIGURE_SPECS, PART_KINDS, type PartKind, partKindWord, type Spec } from '../catalogue';
import { tidyCell } from '../cells';

/** Of a figure of the list's kind, by its key in the record. */
export type FigureColumn = `figure.${string}`;

const PREFIX = 'figure.';
/** Of speakers a list has columns of its own (`SPEAKER_COLUMNS`). */
const KINDS = PART_KINDS.filter((kind) => kind !== 'speaker');

export const FIGURE_COLUMNS: readonly FigureColumn[] = [
  ...new Set(KINDS.flatMap((kind) => FIGURE_SPECS[kind].map(({ key }): FigureColumn => `${PREFIX}${key}`))),
];

export function isFigureColumn(column: string | null): column is FigureColumn {
  return column?.startsWith(PREFIX) ?? false;
}

/** @returns empty for a list of speakers */
export function figureColumnsOf(kind: PartKind): readonly FigureColumn[] {
  return kind === 'speaker' ? [] : FIGURE_SPECS[kind].map(({ key }): FigureColumn => `${PREFIX}${key}`);
}

/** What a column is of parts of this kind; undefined where they have no such figure. */
export function specOf(kind: PartKind, column: FigureColumn): Spec | undefined {
  return FIGURE_SPECS[kind].find(({ key }) => key === column.slice(PREFIX.length));
}

/** The kind that a cell names, in the singular or the plural; null where it names none. */
export function kindNamed(cell: string): PartKind | null {
  const words = tidyCell(cell).toLowerCase();
  return PART_KINDS.find((kind) => [partKindWord(kind).toLowerCase(), kindPlural(kind)].includes(words)) ?? null;
}

/** Such as "brackets". */
export function kindPlural(kind: PartKind): string {
  const word = partKindWord(kind).toLowerCase();
  return /x$/.test(word) ? `${word}es` : `${word}s`;
}

/** Such as "a bracket", "an amplifier". */
export function aKind(kind: PartKind): string {
  const word = partKindWord(kind).toLowerCase();
  return `${/^[aeiou]/.test(word) ? 'an' : 'a'} ${word}`;
}

/** What stands above such columns besides what they are called here, by the key of the figure; common practice, no source. */
const ALSO: Readonly<Record<string, string>> = {
  heightMm: 'stack height|overall height|bauhohe|hohe|hoogte|hauteur',
  throat: 'opening|inner( dia(meter)?)?|inside dia(meter)?|speaker opening|innendurchmesser|offnung',
  plate: 'outer( dia(meter)?)?|outside( dia(meter)?)?|overall|aussendurchmesser',
  inner: 'inner( dia(meter)?)?|inside dia(meter)?|innendurchmesser',
  outer: 'outer( dia(meter)?)?|outside dia(meter)?|aussendurchmesser',
  vehicleBolts: '(vehicle|car|door|fixing) (holes|pattern|side)|holes vehicle|lochbild fahrzeug',
  speakerBolts: '(speaker) (holes|pattern|side)|holes speaker|lochbild lautsprecher',
  screws: 'screws( included| supplied)?|schrauben',
  lengthMm: 'length|lange|lengte|longueur',
  widthMm: 'width|breite|breedte|largeur',
  thicknessMm: 'thickness|thk|dicke|starke|dikte|epaisseur',
  lengthM: 'length|roll|lange|lengte|longueur',
  diameterMm: 'dia(meter)?|durchmesser|thread dia(meter)?',
  areaMm2: 'area|cross section|section|size|gauge|awg|querschnitt|doorsnede',
  conductors: 'cores|strands|adern|aders|conducteurs',
  ampere: 'current|rating|rated current|amps?|amperage|nennstrom|strom',
  volt: 'voltage|rated voltage|spannung',
  watt: 'power|rating|rated power|leistung',
  microfarad: 'capacitance|capacity|value|kapazitat',
  millihenry: 'inductance|value|induktivitat',
  ohm: 'resistance|value|widerstand',
  tolerancePercent: 'tolerance|tol|toleranz',
  material: 'material|werkstoff|materiaal',
  type: 'type|kind|form|typ|art',
  head: 'head( type| form)?|kopf',
  driver: 'drive|driver|bit|antrieb',
  thread: 'thread|gewinde',
  positions: 'ways|pins|poles|positions|polzahl|pole|polig',
  gender: 'gender|male female|plug socket|geschlecht',
  fromConnectorId: 'from|from plug|vehicle (plug|side|connector)|car side',
  to: 'to|to speaker|speaker (plug|side|terminals)|ends in',
  massKgM2: 'area weight|weight per m²|flachengewicht',
  channels: 'channels|ch|kanale',
  powers: 'power|output( power)?|rms( power)?|leistung',
  leastOhm: 'min(imum)? (load|impedance)|least load|stable at',
  amount: 'content|quantity|amount|inhalt|size',
  size: 'size|grosse|maat',
  wireFromMm2: 'wire from|wire min',
  wireToMm2: 'wire to|wire max',
  filter: 'filter|crossover',
  atOhm: 'at|load|at load',
  holeMm: 'hole|hole dia(meter)?|loch',
};

export type Heading = readonly [FigureColumn, RegExp];

/** The words that such a column stands below, without signs and accents, as `plainWords` leaves them. */
export function figureHeadings(kind: PartKind): readonly Heading[] {
  return (kind === 'speaker' ? [] : FIGURE_SPECS[kind]).map(({ key, label }): Heading => {
    const whole = plain(label);
    const name = plain(label.replace(/, [^,]+$/, ''));
    const words = [whole, name, ...(ALSO[key] ? [ALSO[key]] : [])].filter(Boolean);
    return [`${PREFIX}${key}`, new RegExp(`^(${words.join('|')})$`)];
  });
}

/** As headings are read, and safe within an expression. */
function plain(label: string): string {
  return plainWords(label).replace(/[+?^{}|\\]/g, '\\$&');
}

/** Small letters without accents and signs, parted by single blanks. */
export function plainWords(text: string): string {
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
