/** A plug's face as it is drawn, and told in words. */
import { GRADE_LABELS } from './grade';
import {
  PAIR_CARRIES_LABELS,
  type PairCarries,
  type PinPair,
  type PlugFace,
  pinsNotLooked,
  pinWords,
  plugName,
} from './plugFace';

/** How many positions each row has, from above: the upper rows have one more where they do not come out even. */
export function rowLengths({ rows, positions }: Pick<PlugFace, 'rows' | 'positions'>): readonly number[] {
  return Array.from({ length: rows }, (_, row) => Math.floor(positions / rows) + (row < positions % rows ? 1 : 0));
}

/** The letter of a pair, as it is drawn and listed: "A". */
export function pairLetter(at: number): string {
  return String.fromCharCode('A'.charCodeAt(0) + at);
}

/** What the face shows of a position: the letter of its pair, that it is empty, or that nobody looked. */
export function pinMark(
  { pairs, empty }: PlugFace,
  pin: number,
): { readonly kind: 'pair' | 'empty' | 'notLooked'; readonly at: number } {
  const at = pairs.findIndex(({ pins }) => pins.includes(pin));
  if (at >= 0) return { kind: 'pair', at };
  return { kind: empty.includes(pin) ? 'empty' : 'notLooked', at };
}

/** The sound of its own speaker. */
const SOUNDS: readonly PairCarries[] = ['full', 'bass', 'treble', 'voices', 'sub'];

/** Of its first plug, the pins through which its own sound comes. */
export function soundPins([first]: readonly PlugFace[]): readonly number[] {
  return (first?.pairs ?? []).filter(({ carries }) => SOUNDS.includes(carries)).flatMap(({ pins }) => pins);
}

/** "plug, 4 positions in 2 rows: pins 1 and 2 sound: everything (done here, and tried); pins 3 and 4 empty". */
export function plugFaceWords(face: PlugFace, at: number): string {
  const { rows, positions, pairs, empty } = face;
  const notLooked = pinsNotLooked(face);
  const parts = [
    ...pairs.map(
      ({ pins, colours, carries, grade }) =>
        `${pinsWithColours(pins, colours)} ${PAIR_CARRIES_LABELS[carries].toLowerCase()} (${GRADE_LABELS[grade].toLowerCase()})`,
    ),
    ...(empty.length > 0 ? [`${pinWords(empty)} empty`] : []),
    ...(notLooked.length > 0 ? [`${pinWords(notLooked)} not looked at`] : []),
  ];
  return `${plugName(at)}, ${positions} positions in ${rows} ${rows === 1 ? 'row' : 'rows'}: ${parts.join('; ')}`;
}

/** "pins 1 (white) and 2 (white with blue)". */
function pinsWithColours([one, other]: PinPair['pins'], [atOne, atOther]: PinPair['colours']): string {
  const colour = (text: string) => (text === '' ? '' : ` (${text})`);
  return `pins ${one}${colour(atOne)} and ${other}${colour(atOther)}`;
}
