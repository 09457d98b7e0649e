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

/** A figure of one unit, which may stand behind it: "4", "2,5 Ω", "25 W". @param unit as it is told, with the ways in which it is typed */
function figureTyped(unit: RegExp, example: string) {
  return z.string().transform((text, context) => {
    const typed = text.trim();
    if (typed === '') return null;
    const read = /^(\d{1,5}(?:[.,]\d{1,3})?)\s*(\D*)$/.exec(typed);
    if (read && (read[2] === '' || unit.test(read[2] ?? ''))) return Number((read[1] ?? '').replace(',', '.'));
    context.addIssue(`“${typed.slice(0, 20)}” was read. Type ${example}, or leave it empty.`);
    return z.NEVER;
  });
}
export const ohmTyped = figureTyped(/^(Ω|ohms?)$/i, 'ohms such as 4');
export const wattTyped = figureTyped(/^(W|watts?|W RMS)$/i, 'watts such as 25');

export function numberText(value: number | null): string {
  return value === null ? '' : String(value);
}
