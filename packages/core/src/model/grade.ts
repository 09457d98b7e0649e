/**
 * How well something is known, the best first: the same marks for facts, panels, spaces and ways. Common practice, no source; a better
 * grade replaces a worse one.
 */
import { z } from 'zod';

export const GRADE_LABELS = {
  doneHere: 'Done here, and tried',
  seenHere: 'Seen on such a car here',
  maker: 'From the maker’s own document',
  otherCar: 'From another variant',
  otherShop: 'Sent by another shop',
  claimed: 'Said by a seller, or the customer',
  classDefault: 'Usual for the body',
  guessed: 'Guessed',
} as const;
export type Grade = keyof typeof GRADE_LABELS;
export const GRADES = Object.keys(GRADE_LABELS) as [Grade, ...Grade[]];
export const gradeSchema = z.enum(GRADES);

/** Whether it is anybody's word: what is only usual, or guessed, everybody may put right. */
export function isSomebodysWord(grade: Grade): boolean {
  return grade !== 'classDefault' && grade !== 'guessed';
}

/** Whether one has to look all the same: it was not seen on such a car, and no maker wrote it. */
export function isOnlyHeard(grade: Grade): boolean {
  return grade !== 'doneHere' && grade !== 'seenHere' && grade !== 'maker';
}
