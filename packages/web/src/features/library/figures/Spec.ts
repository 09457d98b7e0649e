/** A figure of a part that is typed: how it is read, written and asked for. Figures are lines of text until they are read. */
import {
  apart,
  type Box,
  bodyBoxWords,
  boxWords,
  branchWords,
  type Filter,
  filterWords,
  NOTHING_ELSE,
  patternWords,
  pieceWords,
  powerWords,
  profileWords,
  readBodyBoxWords,
  readBoxWords,
  readBranchWords,
  readFilterWords,
  readPatternWords,
  readPieceWords,
  readPowerWords,
  readProfileWords,
  readScrewWords,
  readSnapOffWords,
  screwWords,
  snapOffWords,
} from '@low-quarry/core/catalogue';
import { readLengthCell, readMassCell, readOutlineCell } from '@low-quarry/core/lists';
import { fail, ok, type Result } from '@low-quarry/core/result';

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
  readonly read: (text: string) => Result<unknown, string>;
  readonly print: (value: never) => string;
};
type Extras = Partial<Pick<Spec, 'hint' | 'without'>>;

/** Nothing typed is not known. */
function orNull(read: Spec['read']): Spec['read'] {
  return (text) => (text.trim() === '' ? ok(null) : read(text));
}

const printNumber = (value: number | null) => (value === null ? '' : String(value));

const readLength: Spec['read'] = (text) => {
  const found = readLengthCell(text, 'mm');
  return found.ok ? ok(found.value.value) : found;
};
const readOutline: Spec['read'] = (text) => {
  const found = readOutlineCell(text, 'mm');
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
  ...{ key, label: `${label}, mm`, ...extras, read: readLength, print: printNumber },
});
/** A length that may be unknown. */
export const knownLength = (key: string, label: string, extras: Extras = {}): Spec => ({
  ...length(key, label, extras),
  read: orNull(readLength),
});
export const outline = (key: string, label: string, extras: Extras = {}): Spec => ({
  ...{ key, label: `${label}, mm`, hint: 'An oval as 218 × 152.', ...extras, read: readOutline, print: printOutline },
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
  ...{ key, label: `${label}, g`, read: orNull((text) => readMassCell(text, 'g')), print: printNumber },
});

/** @param example what would do */
export const number = (key: string, label: string, example: string, extras: Extras = {}): Spec => ({
  ...{ key, label, ...extras, print: printNumber },
  read: (text) => {
    const typed = text.trim().replace(',', '.').replace('−', '-');
    if (/^-?\d+(\.\d+)?$/.test(typed)) return ok(Number(typed));
    return fail(`“${text.slice(0, 20)}” was read. A number such as ${example} would do.`);
  },
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
  ...{ key, label, ...extras, read: ok, print: (value: string) => value },
  options: values.map((value) => [value, words[value] ?? apart(value)]),
});
/** @param none what it is called where nobody knows */
export const knownChoice = (key: string, label: string, values: readonly string[], none: string): Spec => ({
  ...choice(key, label, values),
  options: [['', none], ...values.map((value) => [value, value] as const)],
  read: (text) => ok(text === '' ? null : text),
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
  ...{ key, label, options: YES_NO, read: (text) => ok(text === 'yes'), print: (is: boolean) => (is ? 'yes' : 'no') },
});
export const knownYesNo = (key: string, label: string): Spec => ({
  ...{ key, label, options: [['', 'nobody says'], ...YES_NO] },
  read: orNull((text) => ok(text === 'yes')),
  print: (is: boolean | null) => (is === null ? '' : is ? 'yes' : 'no'),
});
const YES_NO = [
  ['yes', 'yes'],
  ['no', 'no'],
] as const;
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
