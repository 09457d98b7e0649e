/** Readings with a piece in the hand, such as "61.4 61.6; 61.9": those of one piece after one another, pieces parted by semicolons. */
import { fail, ok, type Result } from '../../result';
import { printed, toNumber } from './figures';

const READING = /^\d{1,3}(?:[.,]\d{1,3})?$/;
const WOULD = 'Readings in mm, the next piece after a semicolon, such as “61.4 61.6; 61.9”, would do.';
/** As many as are kept of one figure. */
const MOST_PIECES = 20;
const MOST_READINGS = 20;

export function handWords(pieces: readonly (readonly number[])[]): string {
  return pieces.map((readings) => readings.map(printed).join(' ')).join('; ');
}

/** @returns null for no words: nobody measured; what was read and what would do, where the words are none */
export function readHandWords(text: string): Result<number[][] | null, string> {
  const words = text.replace(/mm\b/gi, ' ').trim();
  if (words === '') return ok(null);
  const pieces = words.split(';').map((piece) => piece.trim().split(/\s+/));
  const wrong = pieces.flat().find((each) => !READING.test(each));
  if (wrong !== undefined) return fail(`“${wrong.slice(0, 20)}” was read. ${WOULD}`);
  if (pieces.length > MOST_PIECES || pieces.some(({ length }) => length > MOST_READINGS))
    return fail(
      `${pieces.length} pieces were read. At most ${MOST_PIECES}, each with at most ${MOST_READINGS} readings, would do.`,
    );
  return ok(pieces.map((readings) => readings.map(toNumber)));
}
