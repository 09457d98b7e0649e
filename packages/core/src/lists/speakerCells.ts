/**
 * What stands in the cells of a list of speakers: lengths in mixed units, outlines, masses, ratings of every kind, sizes by their names.
 * Whatever is not understood is told with what was read and what would do.
 */
import { NOMINAL_SIZES, SPEAKER_KINDS, type SpeakerRecord, TERMINALS } from '../catalogue';
import { bareCell, decimalIn, shown, tidyCell } from '../cells';
import { fail, ok, type Result } from '../result';
import { parseLength } from '../units';

type Size = SpeakerRecord['nominalSize'];
type Kind = SpeakerRecord['speakerKind'];

/** Such as `4`, `4 Ohm`, `4Ω`. */
export function readOhmCell(text: string): Result<number, string> {
  const [, figures = ''] = /^([\d.,]+) ?(?:Ω|ohms?)?$/i.exec(bareCell(text)) ?? [];
  const ohm = decimalIn(figures);
  if (ohm === null || !(ohm > 0) || ohm > 32)
    return fail(`${shown(text)} was read. An impedance such as 4 Ω would do.`);
  return ok(ohm);
}

/** Such as `90`, `90 dB (2.83V/1m)`. */
export function readSensitivityCell(
  text: string,
): Result<{ readonly db: number; readonly at: SpeakerRecord['sensitivityAt'] }, string> {
  const tidy = tidyCell(text).toLowerCase();
  const [, figures = ''] = /^(?:ca\.? ?)?([\d.,]+) ?(?:db)?\b/.exec(tidy) ?? [];
  const db = decimalIn(figures);
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
  const tidy = bareCell(text).toLowerCase().replace(/[½]/g, ' 1/2').replace(/[¼]/g, ' 1/4').replace(/[¾]/g, ' 3/4');
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
  const [, figures = ''] = /^(\d{1,2})(?: ?[x×].*)?$/i.exec(bareCell(text)) ?? [];
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
