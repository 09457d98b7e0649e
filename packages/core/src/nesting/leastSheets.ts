/** How many sheets no way does without. */
import type { NestPiece, Sheet } from './NestPiece';

/**
 * The larger of two bounds: as many as the pieces fill, and as many as there are pieces no two of which lie on one sheet. What comes out of another's
 * throat takes nothing, so that a piece fills what it is without its throat.
 *
 * @param all places of the pieces that are laid
 */
export function leastSheets(pieces: readonly NestPiece[], all: readonly number[], sheet: Sheet): number {
  if (all.length === 0) return 0;
  const filledMm2 = all.reduce((sum, at) => sum + netMm2(pieces[at] as NestPiece), 0);
  const byArea = Math.ceil(filledMm2 / (sheet.lengthMm * sheet.widthMm));
  const bySize = all.toSorted((a, b) => leastHalf(pieces[b]) - leastHalf(pieces[a]));
  const apart: number[] = [];
  for (const at of bySize)
    if (apart.every((other) => areApart(pieces[at] as NestPiece, pieces[other] as NestPiece, sheet))) apart.push(at);
  return Math.max(1, byArea, apart.length);
}

function netMm2({ halfLengthMm, halfWidthMm, throat, netMm2: own }: NestPiece): number {
  if (own !== undefined) return own;
  const inner = throat ? throat.halfLengthMm * throat.halfWidthMm : 0;
  return Math.PI * (halfLengthMm * halfWidthMm - inner);
}

/** Of the largest disc about its middle that is sure to be in it: of what has corners none is. */
function leastHalf(piece: NestPiece | undefined): number {
  if (piece?.corners) return 0;
  return piece ? Math.min(piece.halfLengthMm, piece.halfWidthMm) : 0;
}

/**
 * Whether no sheet holds both: the discs inside of them are farthest from one another in opposite corners, and meet there all the same, and neither
 * goes through the other's throat.
 */
function areApart(a: NestPiece, b: NestPiece, { lengthMm, widthMm, kerfMm }: Sheet): boolean {
  const [ra, rb] = [leastHalf(a), leastHalf(b)];
  const throughThroat = (piece: NestPiece, other: NestPiece) =>
    other.throat !== null && leastHalf(piece) <= Math.max(other.throat.halfLengthMm, other.throat.halfWidthMm);
  if (throughThroat(a, b) || throughThroat(b, a)) return false;
  const dx = Math.max(0, lengthMm - kerfMm - ra - rb);
  const dy = Math.max(0, widthMm - kerfMm - ra - rb);
  return Math.hypot(dx, dy) < ra + rb + kerfMm;
}
