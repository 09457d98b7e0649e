/** A figure of a part that is typed, or stands in a list: how it is read, written and asked for. Figures are lines of text until they are read. */
import { type ColumnUnit, readLengthCell, readMassCell, readOutlineCell } from '../../cells';
import { fail, ok, type Result } from '../../result';
import type { Box } from '../box';
import type { Filter } from '../filter';
import { bodyBoxWords, readBodyBoxWords } from '../words/bodyBoxWords';
import { boxWords, readBoxWords } from '../words/boxWords';
import { branchWords, filterWords, readBranchWords, readFilterWords } from '../words/filterWords';
import { apart } from '../words/partWords';
import { patternWords, readPatternWords } from '../words/patternWords';
import { NOTHING_ELSE, pieceWords, readPieceWords } from '../words/pieceWords';
import { powerWords, readPowerWords } from '../words/powerWords';
import { profileWords, readProfileWords } from '../words/profileWords';
import { readScrewWords, screwWords } from '../words/screwWords';
import { readSnapOffWords, snapOffWords } from '../words/snapOffWords';
import { readQuantity } from './readQuantity';

export type Spec = {
  /** Of the record. */
  readonly key: string;
  readonly label: string;
  readonly hint?: string;
  /** What cannot be judged where it is not known, as the subject of a sentence. */
  readonly without?: string;
  /** Words are wider than numbers. */
  readonly isWide?: boolean;
  /** What can be chosen, where it is not typed; the empty one where it may be unknown. */
  readonly options?: readonly (readonly [string, string])[];
  /** Of what has units that a bare number may be in. */
  readonly measure?: 'length' | 'mass';
  /** @param unit of bare numbers, of what has a measure; mm and g where nobody says */
  readonly read: (text: string, unit?: ColumnUnit) => Result<unknown, string>;
  readonly print: (value: never) => string;
};
type Extras = Partial<Pick<Spec, 'hint' | 'without'>>;

/** Nothing typed is not known. */
function orNull(read: Spec['read']): Spec['read'] {
  return (text, unit) => (text.trim() === '' ? ok(null) : read(text, unit));
}

const printNumber = (value: number | null) => (value === null ? '' : String(value));

/** A lead is long; how long a figure may be says the schema of its kind. */
const MOST_MM = 20_000;
const readLength: Spec['read'] = (text, unit = 'mm') => {
  const found = readLengthCell(text, unit, MOST_MM);
  return found.ok ? ok(found.value.value) : found;
};
const readOutline: Spec['read'] = (text, unit = 'mm') => {
  const found = readOutlineCell(text, unit);
  return found.ok ? ok(found.value.outline) : found;
};
type Outline =
  | { readonly kind: 'circle'; readonly diameterMm: number }
  | { readonly kind: 'oval'; readonly lengthMm: number; readonly widthMm: number };
const printOutline = (outline: Outline | null) => {
  if (!outline) return '';
  return outline.kind === 'circle' ? String(outline.diameterMm) : `${outline.lengthMm} × ${outline.widthMm}`;
};

/** A length that is asked for. */
export const length = (key: string, label: string, extras: Extras = {}): Spec => ({
  ...{ key, label: `${label}, mm`, measure: 'length', ...extras, read: readLength, print: printNumber },
});
/** A length that may be unknown. */
export const knownLength = (key: string, label: string, extras: Extras = {}): Spec => ({
  ...length(key, label, extras),
  read: orNull(readLength),
});
export const outline = (key: string, label: string, extras: Extras = {}): Spec => ({
  ...{ key, label: `${label}, mm`, hint: 'An oval as 218 × 152.', ...extras, measure: 'length' },
  ...{ read: readOutline, print: printOutline },
});
export const knownOutline = (key: string, label: string, extras: Extras = {}): Spec => ({
  ...outline(key, label, extras),
  read: orNull(readOutline),
});

const HOLES = 'Such as: 4 holes 5 on 156 mm, first at 45°. Or: slots 4.5 × 9 at the corners of 190 × 133 mm, radial.';
export const holes = (key: string, label: string): Spec => ({
  ...{ key, label, hint: HOLES, isWide: true, read: readPatternWords, print: patternWords },
});
export const knownHoles = (key: string, label: string, without: string): Spec => ({
  ...holes(key, label),
  without,
  read: orNull(readPatternWords),
  print: (pattern: Parameters<typeof patternWords>[0] | null) => (pattern ? patternWords(pattern) : ''),
});
export const sections = (key: string, label: string): Spec => ({
  ...{ key, label, isWide: true, read: readProfileWords, print: profileWords },
  hint: 'Such as: 122 at the flange, 92 at 40, 85 at 61. Empty: a usual one is taken, with its doubt.',
});
export const bodyBoxes = (key: string, label: string): Spec => ({
  ...{ key, label, isWide: true, read: readBodyBoxWords, print: bodyBoxWords },
  hint: 'Such as: plug at 270°: 45 to 62 off the axis, 24 wide, 18 to 26 deep, live. Angles from the right, anticlockwise, seen from the front. Empty: none noted.',
});
export const snapOffs = (key: string, label: string): Spec => ({
  ...{ key, label, isWide: true, read: readSnapOffWords, print: snapOffWords },
  hint: 'Such as: Inner rim off | throat 142 | to the speaker 4 holes 4 on 156 mm. The next state after a semicolon. Empty: none.',
});
export const screws = (key: string, label: string): Spec => ({
  ...{ key, label, isWide: true, read: readScrewWords, print: screwWords },
  hint: 'Such as: 4 of 4.2 × 25, head 8; 4 of 3.5 × 16.',
});
/** Three sides, the height last; may be unknown. */
export const box = (key: string, label: string, without: string): Spec => ({
  ...{ key, label: `${label}, mm`, hint: 'As 240 × 160 × 52, the height last.', without },
  ...{ read: orNull(readBoxWords), print: (value: Box | null) => (value ? boxWords(value) : '') },
});
const FILTER = 'Such as: high-pass 3500 Hz, 12 dB. Or both sides: high-pass 80 Hz, 12 dB and low-pass 3500 Hz, 12 dB.';
export const filter = (key: string, label: string): Spec => ({
  ...{ key, label, hint: FILTER, isWide: true, read: readFilterWords, print: filterWords },
});
export const knownFilter = (key: string, label: string): Spec => ({
  ...filter(key, label),
  hint: `${FILTER} Empty: none, or nobody says.`,
  read: orNull(readFilterWords),
  print: (value: Filter | null) => (value ? filterWords(value) : ''),
});
export const branches = (key: string, label: string): Spec => ({
  ...{ key, label, isWide: true, read: readBranchWords, print: branchWords },
  hint: 'Such as: tweeter: high-pass 3500 Hz, 12 dB; woofer: low-pass 3000 Hz, 6 dB.',
});
export const powers = (key: string, label: string): Spec => ({
  ...{ key, label, isWide: true, read: readPowerWords, print: powerWords },
  hint: 'Such as: 4 × 60 W RMS at 4 Ω; 2 × 180 W RMS at 4 Ω, bridged. Only RMS compares.',
});
export const pieces = (key: string, label: string): Spec => ({
  ...{ key, label, isWide: true, read: readPieceWords, print: pieceWords },
  hint: `Such as: 1 × grille; 2 × foam ring; a part of the library with its id as [brk-1]. “${NOTHING_ELSE}” where there is nothing else; empty: nobody looked.`,
});
export const mass = (key: string, label: string): Spec => ({
  ...{ key, label: `${label}, g`, measure: 'mass', print: printNumber },
  read: orNull((text, unit = 'g') => readMassCell(text, unit)),
});

/** Behind the last comma of what a number is called. */
function unitOf(label: string): string {
  return /, ([^,]+)$/.exec(label)?.[1] ?? '';
}

/** @param example what would do */
export const number = (key: string, label: string, example: string, extras: Extras = {}): Spec => ({
  ...{ key, label, ...extras, print: printNumber },
  read: (text) => readQuantity(text, unitOf(label), example),
});
export const knownNumber = (key: string, label: string, example: string, extras: Extras = {}): Spec => {
  const asked = number(key, label, example, extras);
  return { ...asked, read: orNull(asked.read) };
};

/** One of several values, which are their own words unless others are given. */
export const choice = (
  key: string,
  label: string,
  values: readonly string[],
  { words = {}, ...extras }: Extras & { readonly words?: Readonly<Record<string, string>> } = {},
): Spec => ({
  ...{ key, label, ...extras, print: (value: string) => value },
  read: (text) => readChoice(text, values, words),
  options: values.map((value) => [value, words[value] ?? apart(value)]),
});
/** However it is written: by its value or its words, without regard to capitals, blanks and hyphens. */
function readChoice(
  text: string,
  values: readonly string[],
  words: Readonly<Record<string, string>>,
): Result<string, string> {
  const plain = (each: string) => each.toLowerCase().replace(/[\s-]/g, '');
  const found = values.find((value) => [value, words[value] ?? value].map(plain).includes(plain(text)));
  if (found !== undefined) return ok(found);
  const would = values.map((value) => words[value] ?? apart(value)).join(', ');
  return fail(`“${text.trim().slice(0, 30)}” was read. One of ${would} would do.`);
}
/** @param none what it is called where nobody knows */
export const knownChoice = (key: string, label: string, values: readonly string[], none: string): Spec => ({
  ...choice(key, label, values),
  options: [['', none], ...values.map((value) => [value, value] as const)],
  read: orNull((text) => readChoice(text, values, {})),
  print: (value: string | null) => value ?? '',
});
export const line = (key: string, label: string, extras: Extras = {}): Spec => ({
  ...{ key, label, ...extras, read: (text) => ok(text.trim()), print: (value: string) => value },
});
/** Empty is not known. */
export const knownLine = (key: string, label: string, extras: Extras = {}): Spec => ({
  ...line(key, label, extras),
  read: orNull((text) => ok(text.trim())),
  print: (value: string | null) => value ?? '',
});
export const yesNo = (key: string, label: string): Spec => ({
  ...{ key, label, options: YES_NO, read: readYesNo, print: (is: boolean) => (is ? 'yes' : 'no') },
});
export const knownYesNo = (key: string, label: string): Spec => ({
  ...{ key, label, options: [['', 'nobody says'], ...YES_NO] },
  read: orNull(readYesNo),
  print: (is: boolean | null) => (is === null ? '' : is ? 'yes' : 'no'),
});
const YES_NO = [
  ['yes', 'yes'],
  ['no', 'no'],
] as const;
function readYesNo(text: string): Result<boolean, string> {
  const typed = text.trim().toLowerCase();
  if (/^(yes|y|ja|j|oui|true|1|x|✓)$/.test(typed)) return ok(true);
  if (/^(no|n|nein|nee|non|false|0)$/.test(typed)) return ok(false);
  return fail(`“${text.trim().slice(0, 20)}” was read. Yes or no would do.`);
}
const separate = (text: string) =>
  text
    .split(',')
    .map((each) => each.trim())
    .filter(Boolean);
/** Any number of them, parted by commas. */
export const ids = (key: string, label: string): Spec => ({
  ...{ key, label, hint: 'Their ids, parted by commas. Empty: none noted.' },
  ...{ read: (text) => ok(separate(text)), print: (values: readonly string[]) => values.join(', ') },
});
export const numbers = (key: string, label: string, example: string): Spec => {
  const one = number(key, label, example);
  return {
    ...{
      key,
      label,
      hint: `Such as: ${example}. Empty: none.`,
      print: (values: readonly number[]) => values.join(', '),
    },
    read: (text) => {
      const read = separate(text).map((each) => one.read(each));
      return read.find(({ ok: isRead }) => !isRead) ?? ok(read.map((each) => (each.ok ? each.value : null)));
    },
  };
};
/** Some of several, parted by commas. */
export const some = (key: string, label: string, values: readonly string[]): Spec => ({
  ...{
    key,
    label,
    hint: `Any of: ${values.join(', ')}. Empty: none.`,
    print: (chosen: readonly string[]) => chosen.join(', '),
  },
  read: (text) => {
    const chosen = separate(text.toLowerCase());
    const other = chosen.find((each) => !values.includes(each));
    return other === undefined ? ok(chosen) : fail(`“${other}” was read. ${values.join(' or ')} would do.`);
  },
});

export const rounding = number('roundingMm', 'Rounded to, ± mm', '0.5', {
  hint: 'Half of what the maker rounds his lengths to.',
});
