/** Ends of ranges as they are typed: lengths in the set unit, what a piece costs in major units, everything else in its own. */
import { FIGURE_WORDS, type Ranged } from '@low-quarry/core/catalogue';
import { fail, ok, type Result } from '@low-quarry/core/result';
import { explainLengthFailure, type LengthUnit, parseLength, printNumber } from '@low-quarry/core/units';
import { amountText } from '../../../text/typedAmount';

export function rangedLabel(ranged: Ranged, unit: LengthUnit, currency: string): string {
  if (ranged === 'cost') return `Price of a piece, ${currency}`;
  const { label, unit: own } = FIGURE_WORDS[ranged];
  return `${label}, ${own === 'mm' ? unit : own}`;
}

function isLength(ranged: Ranged): boolean {
  return ranged !== 'cost' && FIGURE_WORDS[ranged].unit === 'mm';
}

/** @returns null for an end that is open */
export function readEnd(ranged: Ranged, typed: string, unit: LengthUnit): Result<number | null, string> {
  const text = typed.trim();
  if (text === '') return ok(null);
  if (isLength(ranged)) {
    const length = parseLength(text, unit);
    if (!length.ok) return fail(explainLengthFailure(length.failure));
    return length.value.valueMm >= 0 ? ok(length.value.valueMm) : fail('Type a length of 0 or more.');
  }
  const value = Number(text.replace(',', '.'));
  if (!/^\d{1,7}([.,]\d{1,3})?$/.test(text) || !Number.isFinite(value))
    return fail(`“${text.slice(0, 20)}” was read. Type a number such as 60.`);
  return ok(ranged === 'cost' ? Math.round(value * 100) : value);
}

/** A value of a list, without its unit: the head of its column names that. */
export function rangedText(ranged: Ranged, value: number, unit: LengthUnit): string {
  if (ranged === 'cost') return (value / 100).toFixed(2);
  return isLength(ranged) ? printNumber(value, unit) : String(Math.round(value * 10) / 10);
}

/** An end in its field. */
export function endText(ranged: Ranged, end: number | null, unit: LengthUnit): string {
  if (end === null) return '';
  if (ranged === 'cost') return amountText(end);
  return isLength(ranged) ? printNumber(end, unit) : String(end);
}
