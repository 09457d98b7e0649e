/** A box in words, such as "240 × 160 × 52 mm". */
import { fail, ok, type Result } from '../../result';
import { type Box, boxSchema } from '../box';
import { BY, NUMBER, printed, tidied, toNumber } from './figures';

const WOULD = 'Its three sides with the height last, such as “240 × 160 × 52”, would do.';
const SIDES = new RegExp(`^${NUMBER}${BY}${NUMBER}${BY}${NUMBER}$`);

export function boxWords({ lengthMm, widthMm, heightMm }: Box): string {
  return `${printed(lengthMm)} × ${printed(widthMm)} × ${printed(heightMm)} mm`;
}

/** @returns what was read and what would do, where the words are none */
export function readBoxWords(text: string): Result<Box, string> {
  const found = SIDES.exec(tidied(text));
  if (!found) return fail(`“${text.trim().slice(0, 40)}” was read. ${WOULD}`);
  const [, length, width, height] = found;
  const read = boxSchema.safeParse({
    lengthMm: toNumber(length),
    widthMm: toNumber(width),
    heightMm: toNumber(height),
  });
  return read.success
    ? ok(read.data)
    : fail(`“${text.trim().slice(0, 40)}” was read: ${read.error.issues[0]?.message}. ${WOULD}`);
}
