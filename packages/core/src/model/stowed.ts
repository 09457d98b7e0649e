/** What else is put into a car besides crossovers, with or after this job: amplifiers, bass boxes, whatever needs room. */
import { z } from 'zod';
import { boxSchema, boxWords } from '../catalogue';
import { refuseSameName } from './sameName';

const text = (most: number) => z.string().trim().max(most, `Type at most ${most} characters.`);

export const STOWED_LABELS = {
  amplifier: 'An amplifier',
  bassBox: 'A bass box',
  distributor: 'A distributor',
  other: 'Another box',
} as const;
export type StowedKind = keyof typeof STOWED_LABELS;
export const STOWED_KINDS = Object.keys(STOWED_LABELS) as [StowedKind, ...StowedKind[]];

const stowedOneSchema = z.strictObject({
  name: text(40).min(1, 'Type what it is called, such as “amplifier”.'),
  kind: z.enum(STOWED_KINDS),
  /** Null where nobody measured it. */
  box: boxSchema.nullable(),
  /** The vehicle's space that it goes into, by its name; empty until one is chosen. */
  space: text(60),
  /** What holds it; empty where nobody said. */
  heldBy: text(120),
  /** Of an amplifier, all of its channels together, RMS; null where nobody says. */
  rmsW: z.number('Type watts above 0.').positive('Type watts above 0.').max(5000, 'Type at most 5,000 W.').nullable(),
  /** It comes after this job, and its room is kept free. */
  isLater: z.boolean(),
});
export type Stowed = z.infer<typeof stowedOneSchema>;

const MOST = 8;
export const stowedSchema = z
  .array(stowedOneSchema)
  .max(MOST, `Keep to ${MOST} boxes.`)
  .superRefine(refuseSameName('Another box is called so: call it otherwise.'));

/** "an amplifier, 240 × 160 × 52 mm, under the left seat, held by four screws; later". */
export function stowedWords(stowed: Stowed | undefined): string {
  if (stowed === undefined) return 'none';
  const { kind, box, space, heldBy, rmsW, isLater } = stowed;
  const said = [
    STOWED_LABELS[kind].toLowerCase(),
    box === null ? 'size not known' : boxWords(box),
    ...(rmsW === null ? [] : [`${rmsW} W RMS`]),
    space === '' ? 'space not chosen' : space,
    heldBy === '' ? 'what holds it not said' : `held by ${heldBy}`,
  ];
  return `${said.join(', ')}${isLater ? '; later' : ''}`;
}
