/** The screws in a part's box in words, such as "4 of 4.2 × 25, head 8". */
import type { z } from 'zod';
import { fail, ok, type Result } from '../../result';
import { screwBags } from '../screwBags';
import { BY, NUMBER, printed, tidied, toNumber } from './figures';

export type ScrewBags = z.output<typeof screwBags>;

const WOULD = 'How many, how thick and how long, such as “4 of 4.2 × 25, head 8”, would do.';
const BAG = new RegExp(`^(\\d{1,2}) ?(?:of|x|×)? ${NUMBER}${BY}${NUMBER}(?:,? head ${NUMBER})?$`);

/** @returns empty where there are none */
export function screwWords(bags: ScrewBags): string {
  return bags
    .map(({ count, diameterMm, lengthMm, headMm }) => {
      const head = headMm === null ? '' : `, head ${printed(headMm)}`;
      return `${count} of ${printed(diameterMm)} × ${printed(lengthMm)}${head}`;
    })
    .join('; ');
}

/** @returns what was read and what would do, where the words are none */
export function readScrewWords(text: string): Result<ScrewBags, string> {
  const words = tidied(text);
  const bags: unknown[] = [];
  for (const part of words === '' ? [] : words.split(';')) {
    const found = BAG.exec(part.trim());
    if (!found) return fail(`“${part.trim().slice(0, 40)}” was read. ${WOULD}`);
    const [, count, diameter, length, head] = found;
    bags.push({
      ...{ count: Number(count), diameterMm: toNumber(diameter), lengthMm: toNumber(length) },
      headMm: head === undefined ? null : toNumber(head),
    });
  }
  const read = screwBags.safeParse(bags);
  return read.success ? ok(read.data) : fail(`${read.error.issues[0]?.message}. ${WOULD}`);
}
