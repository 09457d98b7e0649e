/** Numbers of a form as they are typed: a line of text until it is read, null where it is empty. */
import { parseLength } from '@low-quarry/core/units';
import { z } from 'zod';

/** A length in mm, or in inches where that is said. */
export const lengthTyped = z.string().transform((text, context) => {
  const typed = text.trim();
  if (typed === '') return null;
  const length = parseLength(typed, 'mm');
  if (length.ok) return Math.round(length.value.valueMm * 100) / 100;
  context.addIssue(`“${typed.slice(0, 20)}” was read. Type a length in mm such as 16, or leave it empty.`);
  return z.NEVER;
});

/** How many. */
export const countTyped = z.string().transform((text, context) => {
  const typed = text.trim();
  if (typed === '') return null;
  if (/^\d{1,4}$/.test(typed)) return Number(typed);
  context.addIssue(
    `“${typed.slice(0, 20)}” was read. Type how many, such as 3, or leave it empty until somebody counted.`,
  );
  return z.NEVER;
});

export function numberText(value: number | null): string {
  return value === null ? '' : String(value);
}
