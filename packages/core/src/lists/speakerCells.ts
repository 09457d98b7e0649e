/**
 * What stands in the cells of a list of speakers: lengths in mixed units, outlines, masses, ratings of every kind, sizes by their names.
 * Whatever is not understood is told with what was read and what would do.
 */
import { NOMINAL_SIZES, SPEAKER_KINDS, type SpeakerRecord, TERMINALS } from '../catalogue';
import { fail, ok, type Result } from '../result';
import { parseLength } from '../units';
import { shown, tidyCell } from './cells';
import type { ColumnUnit } from './columns';

type Outline = NonNullable<SpeakerRecord['basket']>;
type Size = SpeakerRecord['nominalSize'];
type Kind = SpeakerRecord['speakerKind'];

export type ReadFigure = {
  readonly value: number;
  /** Where more was read than one number. */
  readonly note: string | null;
};

const LENGTHS_WOULD = 'A length such as 60, 6,5 cm or 2-3/8" would do.';
const MOST_MM = 400;

/** Without what people write around a figure: signs for about and diameter, and the same again in brackets. */
function bare(text: string): string {
  return tidyCell(text)
    .replace(/^(?:[~≈⌀øØ=]|ca\.?|approx\.?|about|dia\.?)\s*/i, '')
    .replace(/\s*\([^)]*\)$/, '')
    .trim();
}

/**
 * A length, such as `60 mm`, `6,5`, `2-3/8"`, `58-60`: of a range the larger.
 *
 * @param unit of bare numbers
 * @returns mm
 */
export function readLengthCell(text: string, unit: ColumnUnit): Result<ReadFigure, string> {
  const [, from = '', to = '', end = ''] =
    /^([\d.,]+) ?(?:-|–|to|bis|\.\.\.?) ?([\d.,]+)( ?[a-z"]*)$/i.exec(bare(text)) ?? [];
  if (from === '') return oneLength(text, bare(text), unit, null);
  const [least, most] = [from, to].map((each) => oneLength(text, `${each}${end}`, unit, null));
  if (!least?.ok || !most?.ok)
    return least?.ok ? (most as Result<ReadFigure, string>) : (least as Result<ReadFigure, string>);
  const larger = Math.max(least.value.value, most.value.value);
  return ok({ value: larger, note: `${shown(text)} was read: of a range the larger counts, ${printed(larger)} mm.` });
}

function oneLength(text: string, length: string, unit: ColumnUnit, note: string | null): Result<ReadFigure, string> {
  const isBare = /^[\d.,]+$/.test(length);
  const read = parseLength(isBare && unit === 'cm' ? `${length} cm` : length, unit === 'in' ? 'in' : 'mm');
  if (!read.ok) return fail(`${shown(text)} was read. ${LENGTHS_WOULD}`);
  const mm = Number(read.value.valueMm.toFixed(2));
  if (mm < 0 || mm > MOST_MM) return fail(`${shown(text)} was read, ${printed(mm)} mm. Up to ${MOST_MM} mm would do.`);
  return ok({ value: mm, note });
}

/** An outline, such as `142`, `152 x 218 mm`: two measures are an oval. */
export function readOutlineCell(
  text: string,
  unit: ColumnUnit,
): Result<{ readonly outline: Outline; readonly note: string | null }, string> {
  const [one = '', other, more] = bare(text).split(/\s*[x×*]\s*/i);
  if (more !== undefined) return fail(`${shown(text)} was read. ${LENGTHS_WOULD}`);
  if (other === undefined) {
    const read = readLengthCell(text, unit);
    if (!read.ok) return read;
    if (read.value.value === 0) return fail(`${shown(text)} was read. ${LENGTHS_WOULD}`);
    return ok({ outline: { kind: 'circle', diameterMm: read.value.value }, note: read.value.note });
  }
  // "152 x 218 mm": what stands behind the second is of both.
  const [, behind = ''] = /([a-z"]+)$/i.exec(other) ?? [];
  const [a, b] = [/[a-z"]$/i.test(one) ? one : `${one}${behind}`, other].map((each) => readLengthCell(each, unit));
  if (!a?.ok || !b?.ok || a.value.value === 0 || b.value.value === 0)
    return fail(`${shown(text)} was read. ${LENGTHS_WOULD}`);
  const [length, width] = [Math.max(a.value.value, b.value.value), Math.min(a.value.value, b.value.value)];
  return ok({ outline: { kind: 'oval', lengthMm: length, widthMm: width }, note: null });
}

const GRAMS: Readonly<Record<string, number>> = {
  g: 1,
  gr: 1,
  kg: 1000,
  lb: 453.59237,
  lbs: 453.59237,
  oz: 28.349523125,
};

/** A mass, such as `850 g`, `1,2 kg`. @returns g */
export function readMassCell(text: string, unit: ColumnUnit): Result<number, string> {
  const [, figures = '', named] = /^([\d.,]+) ?(g|gr|kg|lbs?|oz)?\.?$/i.exec(bare(text)) ?? [];
  const number = decimal(figures);
  const grams = number === null ? null : number * (GRAMS[(named ?? unit).toLowerCase()] as number);
  if (grams === null || !(grams > 0) || grams > 50_000)
    return fail(`${shown(text)} was read. A mass such as 850 g would do.`);
  return ok(Number(grams.toPrecision(5)));
}

/** Such as `4`, `4 Ohm`, `4Ω`. */
export function readOhmCell(text: string): Result<number, string> {
  const [, figures = ''] = /^([\d.,]+) ?(?:Ω|ohms?)?$/i.exec(bare(text)) ?? [];
  const ohm = decimal(figures);
  if (ohm === null || !(ohm > 0) || ohm > 32)
    return fail(`${shown(text)} was read. An impedance such as 4 Ω would do.`);
  return ok(ohm);
}

export type Rating = { readonly watt: number; readonly kind: 'RMS' | 'peak' | 'range' | 'unstated' };

/** Such as `60`, `60 W RMS`, `30-60 W`, `60/180 W`: of two with a stroke the first is RMS, the other the peak. @param kind of bare numbers */
export function readPowerCell(text: string, kind: 'RMS' | 'peak' | 'unstated'): Result<readonly Rating[], string> {
  const [, one = '', sign, other = '', said] =
    /^(?:(?:rms|max|peak)[: ]*)?([\d.,]+) ?(?:(-|–|to|bis|\/) ?([\d.,]+) ?)?(?:w(?:atts?)?)? ?(rms|peak|max\.?|pmpo|sinus|nom\.?)?$/i.exec(
      bare(text),
    ) ?? [];
  const watts = [decimal(one), other === '' ? null : decimal(other)];
  const [first = null, second = null] = watts;
  const isBad = (watt: number | null) => watt !== null && (!(watt > 0) || watt > 5000);
  if (first === null || isBad(first) || isBad(second) || (other !== '' && second === null))
    return fail(`${shown(text)} was read. A power such as 60 W would do.`);
  if (sign === '/' && second !== null)
    return ok([
      { watt: Math.min(first, second), kind: 'RMS' },
      { watt: Math.max(first, second), kind: 'peak' },
    ]);
  if (second !== null) return ok([{ watt: Math.max(first, second), kind: 'range' }]);
  const word = said?.toLowerCase() ?? '';
  if (/^(rms|sinus|nom)/.test(word) || /^rms/i.test(bare(text))) return ok([{ watt: first, kind: 'RMS' }]);
  if (/^(peak|max|pmpo)/.test(word) || /^(max|peak)/i.test(bare(text))) return ok([{ watt: first, kind: 'peak' }]);
  return ok([{ watt: first, kind }]);
}

/** Such as `90`, `90 dB (2.83V/1m)`. */
export function readSensitivityCell(
  text: string,
): Result<{ readonly db: number; readonly at: SpeakerRecord['sensitivityAt'] }, string> {
  const tidy = tidyCell(text).toLowerCase();
  const [, figures = ''] = /^(?:ca\.? ?)?([\d.,]+) ?(?:db)?\b/.exec(tidy) ?? [];
  const db = decimal(figures);
  if (db === null || db < 60 || db > 120) return fail(`${shown(text)} was read. A sensitivity such as 90 dB would do.`);
  return ok({ db, at: sensitivityCondition(tidy) });
}

/** Under which condition a sensitivity is said to be taken; of a cell, or of its heading. */
export function sensitivityCondition(text: string): SpeakerRecord['sensitivityAt'] {
  if (/2[.,]83 ?v/i.test(text)) return '2.83 V';
  return /\b1 ?w\b/i.test(text) ? '1 W' : 'notStated';
}

const METRIC_TWINS: Readonly<Record<string, Size>> = {
  ...{
    25: '1 in',
    28: '1 in',
    87: '3.5 in',
    100: '4 in',
    130: '5.25 in',
    133: '5.25 in',
    160: '6.5 in',
    165: '6.5 in',
  },
  170: '6.75 in',
};

/** A size by its name, such as `6.5"`, `6 1/2`, `16,5 cm`, `165 mm`, `6x9`: a name, and no measure. */
export function readSizeCell(text: string): Result<Size, string> {
  const tidy = bare(text).toLowerCase().replace(/[½]/g, ' 1/2').replace(/[¼]/g, ' 1/4').replace(/[¾]/g, ' 3/4');
  const oval = /^(\d) ?[x×*] ?(\d{1,2})(?: ?(?:in|inch|"|zoll))?$/.exec(tidy);
  if (oval) return known(`${oval[1]}×${oval[2]}`.replace('5×7', '6×8'), text);
  const mm = /^(\d+(?:[.,]\d+)?) ?(mm|cm)$/.exec(tidy);
  if (mm)
    return known(
      METRIC_TWINS[Math.round(Number((mm[1] ?? '').replace(',', '.')) * (mm[2] === 'cm' ? 10 : 1))] ?? '',
      text,
    );
  const inches = parseLength(tidy.replace(/ ?(inch(es)?|zoll|in\.?|"|”|″)$/, '').replace(',', '.'), 'in');
  if (!inches.ok) return known('', text);
  const inch = Number((inches.value.valueMm / 25.4).toFixed(2));
  if (inch >= 0.5 && inch <= 1.2) return ok('1 in');
  return known(METRIC_TWINS[inch] ?? `${inch} in`, text);
}

function known(size: string, text: string): Result<Size, string> {
  const found = NOMINAL_SIZES.find((each) => each === size);
  return found ? ok(found) : fail(`${shown(text)} was read. One of the sizes ${NOMINAL_SIZES.join(', ')} would do.`);
}

const KINDS: readonly (readonly [RegExp, Kind])[] = [
  [/tweeter|hochtoner|hochtöner|dome|\bht\b/i, 'tweeter'],
  [/co-?ax|[23]-?(way|wege|weg)\b|koax/i, 'coaxial'],
  [/woofer|mid-?bass|tieft[oö]ner|tiefmittelt[oö]ner|component|kompo|mid-?range|midwoofer/i, 'component woofer'],
  [/full-?\s?range|breitb(and|änder)/i, 'full range'],
];

/** A kind by its words; null where none of them is one. */
export function kindIn(text: string): Kind | null {
  const tidy = tidyCell(text);
  return (
    SPEAKER_KINDS.find((kind) => kind === tidy.toLowerCase()) ?? KINDS.find(([words]) => words.test(tidy))?.[1] ?? null
  );
}

/** A size that is named within a name, such as "Shoal 6.5 in", "Tide 6x9"; null where none is. */
export function sizeIn(name: string): Size | null {
  const [oval] = /\b\d ?[x×] ?\d{1,2}\b/i.exec(name) ?? [];
  const [inch] = /\b\d(?:[.,]\d{1,2}|[ -]?[½¼¾]|[ -]\d\/\d)? ?(?:in\b|inch|"|”|″|zoll)/i.exec(name) ?? [];
  for (const text of [oval, inch]) {
    const read = text === undefined ? null : readSizeCell(text);
    if (read?.ok) return read.value;
  }
  return null;
}

/** Such as `4`, `4x`, `4 x 5 mm`: how many. */
export function readHolesCell(text: string): Result<number, string> {
  const [, figures = ''] = /^(\d{1,2})(?: ?[x×].*)?$/i.exec(bare(text)) ?? [];
  const holes = Number(figures || 'none');
  return holes >= 2 && holes <= 12 ? ok(holes) : fail(`${shown(text)} was read. How many holes, such as 4, would do.`);
}

export function readTerminalsCell(text: string): Result<(typeof TERMINALS)[number], string> {
  const tidy = tidyCell(text)
    .toLowerCase()
    .replace(/,(?=\d)/g, '.');
  const has = (tab: string) => tidy.includes(tab);
  if (has('2.8') && has('4.8')) return ok('spades 2.8 + 4.8');
  if (has('4.8') && has('6.3')) return ok('spades 4.8 + 6.3');
  if (/bare|blank|wire|lead|litze|kabel/.test(tidy)) return ok('bare ends');
  return fail(`${shown(text)} was read. One of ${TERMINALS.join(', ')} would do.`);
}

/** @returns null where it is no number */
function decimal(figures: string): number | null {
  const number = /^\d+(?:[.,]\d+)?$/.test(figures) ? Number(figures.replace(',', '.')) : Number.NaN;
  return Number.isFinite(number) ? number : null;
}

function printed(mm: number): string {
  return String(Number(mm.toFixed(1)));
}
