/**
 * Reads a length as a fitter types it: `60`, `60mm`, `6,5 cm`, `2 3/8"`, `2-3/8 in`, `2⅜″`, `0.5 inch`.
 *
 * The number is kept as a ratio of two whole numbers until the last step, so an inch fraction becomes the nearest
 * double to its exact millimetre value (1 in = 25.4 mm exactly, ISO 80000-3 / the 1959 international inch) instead of
 * collecting rounding on the way. A bare fraction is inches whatever the setting: nobody marks millimetres in eighths.
 */
import { fail, ok, type Result } from '../result';

export type LengthUnit = 'mm' | 'in';

export type ParsedLength = {
  readonly valueMm: number;
  /** The unit the number was typed in; a centimetre counts as millimetre family. */
  readonly unit: LengthUnit;
};

export type LengthFailure = {
  readonly kind: 'empty' | 'notANumber' | 'unknownUnit' | 'zeroDenominator' | 'fractionOfMetric' | 'tooLong';
  /** What was typed, cut to a printable length. */
  readonly read: string;
  /** The part that was not understood. */
  readonly part: string;
};

/** No reading of a door needs more; longer text is a slip or a paste and would only lose digits. */
const LONGEST_TEXT = 40;
const MOST_DIGITS = 12;

const GLYPH_FRACTIONS: Readonly<Record<string, string>> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

/** Millimetres per unit as numerator over denominator. */
const UNITS: Readonly<Record<string, { readonly mm: readonly [number, number]; readonly unit: LengthUnit }>> = {
  mm: { mm: [1, 1], unit: 'mm' },
  millimetre: { mm: [1, 1], unit: 'mm' },
  millimetres: { mm: [1, 1], unit: 'mm' },
  cm: { mm: [10, 1], unit: 'mm' },
  in: { mm: [254, 10], unit: 'in' },
  inch: { mm: [254, 10], unit: 'in' },
  inches: { mm: [254, 10], unit: 'in' },
  '"': { mm: [254, 10], unit: 'in' },
};

type Ratio = { readonly numerator: number; readonly denominator: number; readonly isFraction: boolean };

/**
 * The length in millimetres that `text` says.
 *
 * @param text what was typed; blanks around it do not matter
 * @param bareUnit the unit of a number without one (a bare fraction is always inches)
 * @returns the length with the unit it was typed in, or what was not understood. The sign is kept: whether a negative
 *   length makes sense is for the caller to say.
 * @example parseLength('2-3/8 in', 'mm') // { ok: true, value: { valueMm: 60.325, unit: 'in' } }
 */
export function parseLength(text: string, bareUnit: LengthUnit): Result<ParsedLength, LengthFailure> {
  const tidy = normalise(text);
  if (tidy === '') return fail({ kind: 'empty', read: '', part: '' });
  const read = text.trim().slice(0, LONGEST_TEXT);
  if (tidy.length > LONGEST_TEXT) return fail({ kind: 'tooLong', read, part: read });

  const split = /^([+-]?)([\d.,/ -]*?)\s*([^\d.,/ -].*)?$/.exec(tidy);
  if (!split) return fail({ kind: 'notANumber', read, part: read });
  const [, sign = '', digits = '', unitText] = split;

  const number = readNumber(digits.trim());
  if (number === 'zeroDenominator') return fail({ kind: 'zeroDenominator', read, part: digits.trim() });
  if (number === null) return fail({ kind: 'notANumber', read, part: digits.trim() || (unitText ?? read) });

  const unitName = unitText?.replace(/\.$/, '').toLowerCase() ?? (number.isFraction ? 'in' : bareUnit);
  const unit = UNITS[unitName];
  if (!unit) return fail({ kind: 'unknownUnit', read, part: unitText ?? '' });
  if (number.isFraction && unit.unit === 'mm') return fail({ kind: 'fractionOfMetric', read, part: digits.trim() });

  const valueMm = (number.numerator * unit.mm[0]) / (number.denominator * unit.mm[1]);
  return ok({ valueMm: sign === '-' && valueMm !== 0 ? -valueMm : valueMm, unit: unit.unit });
}

/** A sentence for a person: what was read, and what is expected. */
export function explainLengthFailure(failure: LengthFailure): string {
  const would = 'Type a length such as 60, 6,5 cm or 2 3/8".';
  switch (failure.kind) {
    case 'empty':
      return `Nothing was typed. ${would}`;
    case 'unknownUnit':
      return `"${failure.read}": the unit "${failure.part}" is not known; mm, cm, in and " are.`;
    case 'zeroDenominator':
      return `"${failure.read}": a fraction cannot have 0 below the line.`;
    case 'fractionOfMetric':
      return `"${failure.read}": fractions are read as inches only; write millimetres with a point or a comma.`;
    case 'tooLong':
      return `"${failure.read}…" is too long for one length. ${would}`;
    case 'notANumber':
      return failure.part === failure.read
        ? `"${failure.read}" was not understood. ${would}`
        : `"${failure.read}": "${failure.part}" was not understood. ${would}`;
  }
}

function normalise(text: string): string {
  return text
    .replace(/[½⅓⅔¼¾⅛⅜⅝⅞]/g, (glyph) => ` ${GLYPH_FRACTIONS[glyph] ?? glyph}`)
    .replace(/⁄/g, '/')
    .replace(/[−–—]/g, '-')
    .replace(/''|[″”“]/g, '"')
    .replace(/\s+/g, ' ')
    .replace(/ ?\/ ?/g, '/')
    .trim();
}

function readNumber(text: string): Ratio | 'zeroDenominator' | null {
  const fraction = /^(?:(\d{1,6})(?: ?- ?| ))?(\d{1,6})\/(\d{1,6})$/.exec(text);
  if (fraction) {
    const whole = Number(fraction[1] ?? 0);
    const denominator = Number(fraction[3]);
    if (denominator === 0) return 'zeroDenominator';
    return { numerator: whole * denominator + Number(fraction[2]), denominator, isFraction: true };
  }
  const decimal = /^(\d*)(?:[.,](\d*))?$/.exec(text);
  if (!decimal) return null;
  const whole = decimal[1] ?? '';
  const places = decimal[2] ?? '';
  const digits = whole + places;
  if (digits === '' || digits.length > MOST_DIGITS) return null;
  return { numerator: Number(digits), denominator: 10 ** places.length, isFraction: false };
}
