/** The three sides of a box as they are typed; null where nothing is. */
import { readBoxWords } from '@low-quarry/core/catalogue';
import { z } from 'zod';

export const boxTyped = z.string().transform((text, context) => {
  if (text.trim() === '') return null;
  const box = readBoxWords(text);
  if (box.ok) return box.value;
  context.addIssue(box.failure);
  return z.NEVER;
});
