/**
 * What the shop has of a part: a lot is so many pieces of it in one place, from one order, free or put aside for a job. Each has a number of
 * its own that its label carries.
 */
import { z } from 'zod';

export const MOST_ON_SHELF = 100_000;

export const shelfStateSchema = z.strictObject({
  partId: z.string().min(1).max(80),
  /** Where it lies, in the shop's words: "A3", "van, left box". */
  place: z.string().trim().min(1, 'Say where it lies, such as A3.').max(40, 'Type at most 40 characters.'),
  pieces: z
    .int('Type a whole number of pieces.')
    .min(0, 'Type 0 or more.')
    .max(MOST_ON_SHELF, `Type at most ${MOST_ON_SHELF} pieces.`),
  /** From which order, in the shop's words; empty where nobody knows. */
  from: z.string().trim().max(120, 'Type at most 120 characters.'),
  /** The job it is put aside for; null where it is free. */
  jobId: z.uuid().nullable(),
});
export type ShelfState = z.output<typeof shelfStateSchema>;

/** What the label of a lot says, and a scanner reads. */
export function lotCode(number: number): string {
  return `S${number}`;
}

/** What the label of a job's bag says. */
export function jobCode(number: number): string {
  return `J${number}`;
}

/** "4 pieces at A3". */
export function lotWords({ place, pieces }: Pick<ShelfState, 'place' | 'pieces'>): string {
  return `${pieces} ${pieces === 1 ? 'piece' : 'pieces'} at ${place}`;
}
