/** Sets: one article with pieces for several places, such as woofers, tweeters and the crossovers between them. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { piecesSchema } from '../pieces';
import { pieceWords } from '../words/pieceWords';

export const setSchema = z.strictObject({
  kind: z.literal('set'),
  ...orderable,
  /** What it is made of. */
  inBox: piecesSchema.min(2, 'A set has two pieces or more.'),
});

export const setEntry = goodsEntry(
  setSchema,
  [],
  () => ({}),
  ({ inBox }) => pieceWords(inBox).replace(/ \[[^\]]*\]/g, ''),
);
