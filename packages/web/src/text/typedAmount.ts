/** Money as it is typed, in major units: a line of text until it is read, null where it is empty. */
import { z } from 'zod';

/** In minor units, once it is read. */
export const amountTyped = z.string().transform((text, context) => {
  const typed = text.trim().replace(',', '.');
  if (typed === '') return null;
  const amount = Number(typed);
  if (Number.isFinite(amount) && amount >= 0) return Math.round(amount * 100);
  context.addIssue(`“${text.slice(0, 20)}” was read. Type an amount such as 420 or 420.50, or leave it empty.`);
  return z.NEVER;
});

export function amountText(minor: number | null): string {
  if (minor === null) return '';
  return minor % 100 === 0 ? String(minor / 100) : (minor / 100).toFixed(2);
}
