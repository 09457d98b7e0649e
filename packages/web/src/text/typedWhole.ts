/** Whole numbers as they are typed: a line of text until it is read. */
import { z } from 'zod';

/** @param empty what nothing typed means */
export function wholeTyped<Empty>(empty: Empty) {
  return z.string().transform((text, context): number | Empty => {
    const typed = text.trim();
    if (typed === '') return empty;
    if (/^\d{1,7}$/.test(typed)) return Number(typed);
    context.addIssue(`“${typed.slice(0, 20)}” was read. Type a whole number, such as 2.`);
    return z.NEVER;
  });
}
