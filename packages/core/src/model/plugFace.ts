/**
 * The face of a plug at an opening, looked into with its latch up: its positions, numbered from the left, the upper row first, and what each
 * pair of them carries. A plug may bring more than the sound of its own speaker, and what nobody has looked at may be a warning sound.
 */
import { z } from 'zod';
import type { PinsBeyond } from '../fit';
import { BAND_LABELS } from './around';
import { type Grade, gradeSchema, isOnlyHeard } from './grade';

export const PAIR_CARRIES_LABELS = {
  full: `Sound: ${BAND_LABELS.full.toLowerCase()}`,
  bass: `Sound: ${BAND_LABELS.bass.toLowerCase()}`,
  treble: `Sound: ${BAND_LABELS.treble.toLowerCase()}`,
  voices: `Sound: ${BAND_LABELS.voices.toLowerCase()}`,
  sub: 'Sound for a subwoofer',
  warning: 'Warning sounds',
  feed: 'Sound that goes on to another speaker',
  microphone: 'A microphone',
  lamp: 'A lamp',
  nothing: 'Nothing',
  notKnown: 'Nobody knows',
} as const;
export type PairCarries = keyof typeof PAIR_CARRIES_LABELS;
export const PAIR_CARRIES = Object.keys(PAIR_CARRIES_LABELS) as [PairCarries, ...PairCarries[]];

export const MOST_ROWS = 3;
export const MOST_POSITIONS = 40;
/** One that is for the speaker, and two besides. */
export const MOST_FACES = 3;

const pinSchema = z.int().min(1).max(MOST_POSITIONS);

export const MOST_COLOUR = 30;
const colourSchema = z
  .string()
  .trim()
  .max(MOST_COLOUR, `Type at most ${MOST_COLOUR} characters, such as “white with blue”.`);

export const pinPairSchema = z.strictObject({
  pins: z.tuple([pinSchema, pinSchema]),
  /** Of the wire at each pin, as one sees it; empty where nobody noted it. They are this variant's and this plug's, and say nothing of another. */
  colours: z.tuple([colourSchema, colourSchema]).default(['', '']),
  carries: z.enum(PAIR_CARRIES),
  grade: gradeSchema,
});
export type PinPair = z.infer<typeof pinPairSchema>;

export const plugFaceSchema = z
  .strictObject({
    rows: z.int().min(1).max(MOST_ROWS),
    positions: z.int().min(2).max(MOST_POSITIONS),
    pairs: z.array(pinPairSchema).max(MOST_POSITIONS / 2),
    /** Positions in which no wire ends. */
    empty: z.array(pinSchema).max(MOST_POSITIONS),
  })
  .superRefine(({ rows, positions, pairs, empty }, context) => {
    const refuse = (path: (string | number)[], message: string) => context.addIssue({ code: 'custom', path, message });
    if (rows > positions) refuse(['rows'], `${rows} rows of ${positions} positions: type at most as many rows.`);
    const taken = new Set<number>();
    const take = (pin: number, path: (string | number)[]) => {
      if (pin > positions)
        refuse(path, `Pin ${pin} of ${positions} positions: press one that is there, or type more positions.`);
      if (taken.has(pin)) refuse(path, `Pin ${pin} is used twice: take it out of one pair first.`);
      taken.add(pin);
    };
    pairs.forEach(({ pins }, at) => {
      for (const pin of pins) take(pin, ['pairs', at, 'pins']);
    });
    empty.forEach((pin, at) => {
      take(pin, ['empty', at]);
    });
  });
export type PlugFace = z.infer<typeof plugFaceSchema>;

export const plugFacesSchema = z.array(plugFaceSchema).max(MOST_FACES, `Keep to ${MOST_FACES} plugs.`);

const PLUG_NAMES = ['plug', 'second plug', 'third plug'] as const;

/** "plug"; "second plug". */
export function plugName(at: number): string {
  return PLUG_NAMES[at] ?? `plug ${at + 1}`;
}

/** Positions of which nobody said what ends there, in order. */
export function pinsNotLooked({ positions, pairs, empty }: PlugFace): readonly number[] {
  const known = new Set([...pairs.flatMap(({ pins }) => pins), ...empty]);
  return Array.from({ length: positions }, (_, at) => at + 1).filter((pin) => !known.has(pin));
}

/** Of the same plug on another car of the variant: what was tried there was not tried here. */
export function carriedFace(face: PlugFace): PlugFace {
  const carried = (grade: Grade): Grade => (grade === 'doneHere' ? 'seenHere' : grade);
  return { ...face, pairs: face.pairs.map((pair) => ({ ...pair, grade: carried(pair.grade) })) };
}

/** What has to go on somewhere else when the speaker is changed, the gravest first. */
const BEYOND_SOUND = ['warning', 'notKnown', 'feed'] as const satisfies readonly PinsBeyond['carries'][];

/** What a pair is taken to carry: what is only guessed, or said by somebody, is not known. */
export function takenToCarry({ carries, grade }: PinPair): PairCarries {
  return isOnlyHeard(grade) && carries !== 'warning' && carries !== 'feed' ? 'notKnown' : carries;
}

/**
 * What the plugs carry beyond their speaker's own sound, by their pins.
 *
 * @returns all of it, the gravest first, each with its pins in words ("pins 3 and 4 of its plug"); empty where there is none, or no face was
 *   noted
 */
export function beyondSound(faces: readonly PlugFace[]): readonly PinsBeyond[] {
  return BEYOND_SOUND.flatMap((carries) =>
    faces.flatMap((face, at): PinsBeyond[] => {
      const pins = [
        ...face.pairs.filter((pair) => takenToCarry(pair) === carries).flatMap((pair) => pair.pins),
        ...(carries === 'notKnown' ? pinsNotLooked(face) : []),
      ];
      if (pins.length === 0) return [];
      return [{ carries, words: `${pinWords(pins)} of its ${plugName(at)}`, isOfSecondPlug: at === 1 }];
    }),
  );
}

/** "pin 3"; "pins 3, 4 and 7". */
export function pinWords(pins: readonly number[]): string {
  const inOrder = [...pins].sort((a, b) => a - b);
  const last = inOrder.pop();
  return inOrder.length === 0 ? `pin ${last}` : `pins ${inOrder.join(', ')} and ${last}`;
}
