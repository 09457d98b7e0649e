/** What is in a box in words, such as "2 × woofer [spk-shoal-65]; 4 × screw 4.2 × 25": a part of the library with its id in brackets. */
import { fail, ok, type Result } from '../../result';
import { type Pieces, piecesSchema } from '../pieces';

const PIECE = /^(\d{1,4}) ?(?:[x×*]|of) ?(.*?)(?: ?\[([^[\]]+)\])?$/i;
const WOULD =
  'How many and of what, such as “1 × grille; 4 × screw 4.2 × 25”, would do; “none” where the box has nothing else.';
export const NOTHING_ELSE = 'none';

/** @returns nothing where nobody looked, "none" where there is nothing else */
export function pieceWords(pieces: Pieces | null): string {
  if (pieces === null) return '';
  if (pieces.length === 0) return NOTHING_ELSE;
  return pieces
    .map(({ count, what, partId }) => `${count} × ${what}${partId === null ? '' : ` [${partId}]`}`)
    .join('; ');
}

/** @returns null for no words: nobody looked; what was read and what would do, where the words are none */
export function readPieceWords(text: string): Result<Pieces | null, string> {
  const words = text.replace(/\s+/g, ' ').trim();
  if (words === '') return ok(null);
  if (words.toLowerCase() === NOTHING_ELSE) return ok([]);
  const pieces: unknown[] = [];
  for (const part of words
    .split(';')
    .map((each) => each.trim())
    .filter(Boolean)) {
    const [whole, count, what = '', id] = PIECE.exec(part) ?? [];
    if (whole === undefined || what === '') return fail(`“${part.slice(0, 40)}” was read. ${WOULD}`);
    pieces.push({ count: Number(count), what, partId: id?.trim() ?? null });
  }
  const read = piecesSchema.safeParse(pieces);
  return read.success ? ok(read.data) : fail(`${read.error.issues[0]?.message} ${WOULD}`);
}
