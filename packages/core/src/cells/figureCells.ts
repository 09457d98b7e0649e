/** Lengths, outlines, masses and powers as they stand in a cell or are typed, in mixed units. Whatever is not understood is told with what was read. */
import { fail, ok, type Result } from '../result';
import { parseLength } from '../units';
import { shown, tidyCell } from './cells';

export const LENGTH_UNITS = ['mm', 'cm', 'in'] as const;
export const MASS_UNITS = ['g', 'kg', 'lb', 'oz'] as const;
/** What the bare numbers of a column are in. */
export type ColumnUnit = (typeof LENGTH_UNITS)[number] | (typeof MASS_UNITS)[number];

type Outline =
  | { readonly kind: 'circle'; readonly diameterMm: number }
  | { readonly kind: 'oval'; readonly lengthMm: number; readonly widthMm: number };

export type ReadFigure = {
  readonly value: number;
  /** Where more was read than one number. */
  readonly note: string | null;
};

const LENGTHS_WOULD = 'A length such as 60, 6,5 cm or 2-3/8" would do.';
/** No length of a speaker is greater. */
const MOST_MM = 400;

/** Without what people write around a figure: signs for about and diameter, and the same again in brackets. */
export function bareCell(text: string): string {
  return tidyCell(text)
    .replace(/^(?:[~≈⌀øØ=]|ca\.?|approx\.?|about|dia\.?)\s*/i, '')
    .replace(/\s*\([^)]*\)$/, '')
    .trim();
}

/**
 * A length, such as `60 mm`, `6,5`, `2-3/8"`, `58-60`: of a range the larger.
 *
 * @param unit of bare numbers
 * @param mostMm more is no such length
 * @returns mm
 */
export function readLengthCell(text: string, unit: ColumnUnit, mostMm = MOST_MM): Result<ReadFigure, string> {
  const [, from = '', to = '', end = ''] =
    /^([\d.,]+) ?(?:-|–|to|bis|\.\.\.?) ?([\d.,]+)( ?[a-z"]*)$/i.exec(bareCell(text)) ?? [];
  if (from === '') return oneLength(text, bareCell(text), unit, mostMm);
  const [least, most] = [from, to].map((each) => oneLength(text, `${each}${end}`, unit, mostMm));
  if (!least?.ok || !most?.ok)
    return least?.ok ? (most as Result<ReadFigure, string>) : (least as Result<ReadFigure, string>);
  const larger = Math.max(least.value.value, most.value.value);
  return ok({ value: larger, note: `${shown(text)} was read: of a range the larger counts, ${printed(larger)} mm.` });
}

function oneLength(text: string, length: string, unit: ColumnUnit, mostMm: number): Result<ReadFigure, string> {
  const isBare = /^[\d.,]+$/.test(length);
  const metres = /^([\d.,]+) ?m$/i.exec(length)?.[1];
  if (metres !== undefined) return inMetres(text, metres, mostMm);
  const read = parseLength(isBare && unit === 'cm' ? `${length} cm` : length, unit === 'in' ? 'in' : 'mm');
  if (!read.ok) return fail(`${shown(text)} was read. ${LENGTHS_WOULD}`);
  const mm = Number(read.value.valueMm.toFixed(2));
  if (mm < 0 || mm > mostMm) return fail(`${shown(text)} was read, ${printed(mm)} mm. Up to ${mostMm} mm would do.`);
  return ok({ value: mm, note: null });
}

/** Of what is long enough for them, such as a lead. */
function inMetres(text: string, figures: string, mostMm: number): Result<ReadFigure, string> {
  const metres = decimalIn(figures);
  return metres === null
    ? fail(`${shown(text)} was read. ${LENGTHS_WOULD}`)
    : oneLength(text, `${Number((1000 * metres).toFixed(2))}`, 'mm', mostMm);
}

/** An outline, such as `142`, `152 x 218 mm`: two measures are an oval. */
export function readOutlineCell(
  text: string,
  unit: ColumnUnit,
): Result<{ readonly outline: Outline; readonly note: string | null }, string> {
  const [one = '', other, more] = bareCell(text).split(/\s*[x×*]\s*/i);
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
  const [, figures = '', named] = /^([\d.,]+) ?(g|gr|kg|lbs?|oz)?\.?$/i.exec(bareCell(text)) ?? [];
  const number = decimalIn(figures);
  const grams = number === null ? null : number * (GRAMS[(named ?? unit).toLowerCase()] as number);
  if (grams === null || !(grams > 0) || grams > 50_000)
    return fail(`${shown(text)} was read. A mass such as 850 g would do.`);
  return ok(Number(grams.toPrecision(5)));
}

export type Rating = { readonly watt: number; readonly kind: 'RMS' | 'peak' | 'range' | 'unstated' };

/** Such as `60`, `60 W RMS`, `30-60 W`, `60/180 W`: of two with a stroke the first is RMS, the other the peak. @param kind of bare numbers */
export function readPowerCell(text: string, kind: 'RMS' | 'peak' | 'unstated'): Result<readonly Rating[], string> {
  const [, one = '', sign, other = '', said] =
    /^(?:(?:rms|max|peak)[: ]*)?([\d.,]+) ?(?:(-|–|to|bis|\/) ?([\d.,]+) ?)?(?:w(?:atts?)?)? ?(rms|peak|max\.?|pmpo|sinus|nom\.?)?$/i.exec(
      bareCell(text),
    ) ?? [];
  const watts = [decimalIn(one), other === '' ? null : decimalIn(other)];
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
  if (/^(rms|sinus|nom)/.test(word) || /^rms/i.test(bareCell(text))) return ok([{ watt: first, kind: 'RMS' }]);
  if (/^(peak|max|pmpo)/.test(word) || /^(max|peak)/i.test(bareCell(text))) return ok([{ watt: first, kind: 'peak' }]);
  return ok([{ watt: first, kind }]);
}

/** @returns null where it is no number */
export function decimalIn(figures: string): number | null {
  const number = /^\d+(?:[.,]\d+)?$/.test(figures) ? Number(figures.replace(',', '.')) : Number.NaN;
  return Number.isFinite(number) ? number : null;
}

function printed(mm: number): string {
  return String(Number(mm.toFixed(1)));
}
