/** Bass boxes: a speaker in an enclosure of its own, with or without its amplifier. */
import { z } from 'zod';
import { boxSchema } from '../box';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { rated } from '../rating';
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

export const bassBoxEntry = goodsEntry(
  'Bass box',
  bassBoxSchema,
  ({ isPowered }) => ({ isPowered }),
  ({ enclosure, isPowered, box, ...rating }) =>
    [
      enclosure === 'notStated' ? 'enclosure not stated' : enclosure,
      isPowered ? 'with an amplifier' : 'without an amplifier',
      box ? boxWords(box) : 'size not stated',
      ratingWords(rating),
    ].join(', '),
);
