/** What is in a part's box, piece by piece. */
import { z } from 'zod';

export const MOST_PIECES = 40;

export const piecesSchema = z
  .array(
    z.strictObject({
      count: z.int().min(1).max(1000),
      /** In the words of whoever unpacked it, such as "screw 4.2 × 25" or "grille". */
      what: z.string().trim().min(1).max(120, 'Type at most 120 characters a piece.'),
      /** Which part of the library it is; null where it is none of them. */
      partId: z.string().min(1).max(80).nullable(),
    }),
  )
  .max(MOST_PIECES, `At most ${MOST_PIECES} kinds of pieces.`);
export type Pieces = z.infer<typeof piecesSchema>;
