/** Bass boxes: a speaker in an enclosure of its own, with or without its amplifier. */
import { z } from 'zod';
import { boxSchema } from '../box';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { rated } from '../rating';
import { ratingSpec } from '../specs/ratingSpec';
import { box, choice, knownNumber, rounding, type Spec, yesNo } from '../specs/Spec';
import { boxWords } from '../words/boxWords';
import { ratingWords } from '../words/partWords';

export const ENCLOSURES = ['sealed', 'ported', 'passive radiator', 'notStated'] as const;

export const bassBoxSchema = z.strictObject({
  kind: z.literal('bassBox'),
  ...orderable,
  enclosure: z.enum(ENCLOSURES),
  /** Whether it has an amplifier of its own. */
  isPowered: z.boolean(),
  box: boxSchema.nullable(),
  ...rated,
});

const specs: readonly Spec[] = [
  choice('enclosure', 'Enclosure', ENCLOSURES, { words: { notStated: 'not stated' } }),
  yesNo('isPowered', 'Amplifier of its own'),
  box('box', 'Its box', 'its place'),
  knownNumber('impedanceOhm', 'Impedance, Ω', '4', { without: 'the load' }),
  knownNumber('rmsW', 'Power, RMS, W', '60', { hint: 'Only RMS compares.' }),
  ratingSpec('otherRating', 'Power besides RMS'),
  rounding,
];

export const bassBoxEntry = goodsEntry(
  bassBoxSchema,
  specs,
  ({ isPowered }) => ({ isPowered }),
  ({ enclosure, isPowered, box, ...rating }) =>
    [
      enclosure === 'notStated' ? 'enclosure not stated' : enclosure,
      isPowered ? 'with an amplifier' : 'without an amplifier',
      box ? boxWords(box) : 'size not stated',
      ratingWords(rating),
    ].join(', '),
);
