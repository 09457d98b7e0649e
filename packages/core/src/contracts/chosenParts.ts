/** Where parts are chosen, and whether they are judged otherwise than when they were. */
import { z } from 'zod';
import { VERDICTS_BY_RANK } from '../fit';
import { contract, nothing } from './contract';

/** So many are told, those that are judged otherwise first; all are counted. */
export const MOST_USES_TOLD = 200;

const useSchema = z.object({
  jobId: z.string(),
  openingId: z.string(),
  /** The car, such as "HDS 3". */
  registration: z.string(),
  /** Such as "Front door, left". */
  opening: z.string(),
  /** The speaker of the choice. */
  speaker: z.string(),
  /** When it was chosen, and now; null where what is kept of the choice cannot be read or judged. */
  was: z.enum(VERDICTS_BY_RANK).nullable(),
  is: z.enum(VERDICTS_BY_RANK).nullable(),
  /** Why it may not be ordered; null where it may. */
  heldBack: z.string().nullable(),
});

export const chosenParts = contract({
  method: 'get',
  path: '/api/chosen',
  permission: 'read',
  /** Of one part; of whatever part without. */
  params: z.object({ part: z.string().min(1).max(80).optional() }),
  body: nothing,
  answer: z.object({
    uses: z.array(useSchema),
    /** Openings of open jobs in which it is chosen, and how many of them are judged otherwise than when they were chosen. */
    counts: z.object({ open: z.int(), otherwise: z.int() }),
    /** How many of jobs that are over. */
    ended: z.int(),
  }),
});
export type ChosenParts = z.infer<typeof chosenParts.answer>;
export type PartUse = ChosenParts['uses'][number];

/** Whether the verdict is another than when it was chosen; one that cannot be judged any more is. */
export function isJudgedOtherwise({ was, is }: Pick<PartUse, 'was' | 'is'>): boolean {
  return is === null || was !== is;
}
