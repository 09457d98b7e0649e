/** Looking through the figures of the whole library, and putting what is doubted on hold. */
import { z } from 'zod';
import { FIGURE_IDS } from '../catalogue';
import { contract } from './contract';
import { datumSchema } from './supplierLists';

/** So many are told one by one, the likeliest first; all of them are counted. */
export const MOST_DOUBTS_TOLD = 200;

/** With `hold` each is on hold until somebody settles it: one change, one undo. */
export const doubtFigures = contract({
  method: 'post',
  path: '/api/parts/doubts',
  permission: 'library',
  params: z.object({}),
  body: z.strictObject({ hold: z.boolean().default(false) }),
  answer: z.object({
    speakers: z.int(),
    /** Too few of their kind, or too few figures. */
    notCompared: z.int(),
    doubted: z.array(
      z.object({
        id: z.string(),
        name: z.string(),
        figure: z.enum(FIGURE_IDS),
        words: z.string(),
        chance: z.number(),
        /** Whether it is on hold for it already. */
        isHeld: z.boolean(),
      }),
    ),
    found: z.int(),
    held: z.int(),
    datums: z.array(datumSchema),
  }),
});
export type FiguresDoubted = z.infer<typeof doubtFigures.answer>;
