/**
 * An area laid with rectangular sheets, edge to edge: which pieces it takes, and how many sheets they come from. What a hand does not reach is left
 * out where it takes a sheet's whole width or length; a hole is cut out of its piece.
 */
export type RectangleMm = {
  /** Of its lower left corner, mm. */
  readonly xMm: number;
  readonly yMm: number;
  readonly lengthMm: number;
  readonly widthMm: number;
};
export type SizeMm = Pick<RectangleMm, 'lengthMm' | 'widthMm'>;

/** Thinner than this is no piece: it is stretched over from beside it, mm (common practice, no source). */
const LEAST_MM = 5;

/**
 * The pieces of an area whose lower left corner is 0; 0, in rows from there, the sheets lying as given.
 *
 * @param blocked where nothing is laid
 */
export function areaPieces(area: SizeMm, blocked: readonly RectangleMm[], sheet: SizeMm): readonly RectangleMm[] {
  const pieces: RectangleMm[] = [];
  for (let yMm = 0; yMm < area.widthMm - LEAST_MM; yMm += sheet.widthMm)
    for (let xMm = 0; xMm < area.lengthMm - LEAST_MM; xMm += sheet.lengthMm) {
      const whole = {
        ...{ xMm, yMm },
        lengthMm: Math.min(sheet.lengthMm, area.lengthMm - xMm),
        widthMm: Math.min(sheet.widthMm, area.widthMm - yMm),
      };
      const left = withoutBlocked(whole, blocked);
      if (left && left.lengthMm > LEAST_MM && left.widthMm > LEAST_MM) pieces.push(left);
    }
  return pieces;
}

/** The box about what is free of a piece; null where nothing is. */
function withoutBlocked(piece: RectangleMm, blocked: readonly RectangleMm[]): RectangleMm | null {
  const cuts = (from: number, size: number, ends: readonly number[]) =>
    [...new Set([from, from + size, ...ends.filter((end) => end > from && end < from + size)])].sort((a, b) => a - b);
  const xs = cuts(
    piece.xMm,
    piece.lengthMm,
    blocked.flatMap(({ xMm, lengthMm }) => [xMm, xMm + lengthMm]),
  );
  const ys = cuts(
    piece.yMm,
    piece.widthMm,
    blocked.flatMap(({ yMm, widthMm }) => [yMm, yMm + widthMm]),
  );
  let [minX, maxX, minY, maxY] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const [i, x] of xs.slice(0, -1).entries())
    for (const [j, y] of ys.slice(0, -1).entries()) {
      const [nextX, nextY] = [xs[i + 1] as number, ys[j + 1] as number];
      const [cx, cy] = [(x + nextX) / 2, (y + nextY) / 2];
      if (blocked.some((each) => isIn(each, cx, cy))) continue;
      [minX, maxX, minY, maxY] = [Math.min(minX, x), Math.max(maxX, nextX), Math.min(minY, y), Math.max(maxY, nextY)];
    }
  return minX < maxX ? { xMm: minX, yMm: minY, lengthMm: maxX - minX, widthMm: maxY - minY } : null;
}

function isIn({ xMm, yMm, lengthMm, widthMm }: RectangleMm, x: number, y: number): boolean {
  return x > xMm && x < xMm + lengthMm && y > yMm && y < yMm + widthMm;
}

export type PackedRectangle = RectangleMm & {
  readonly piece: number;
  readonly sheet: number;
  readonly isTurned: boolean;
};
export type Packed = {
  readonly sheets: number;
  /** No way needs fewer: as many as the pieces fill. */
  readonly atLeast: number;
  readonly laid: readonly PackedRectangle[];
};

/**
 * Pieces cut out of sheets, each cut going from edge to edge as a knife goes: the largest first, where it leaves the shortest strip beside it.
 *
 * @param pieces none larger than a sheet
 * @see J. Jylänki, "A thousand ways to pack the bin", 2010, guillotine, best short side fit, shorter leftover axis split; from memory
 */
export function packRectangles(pieces: readonly SizeMm[], sheet: SizeMm): Packed {
  const order = pieces
    .map((piece, at) => ({ piece, at }))
    .sort((a, b) => b.piece.lengthMm * b.piece.widthMm - a.piece.lengthMm * a.piece.widthMm);
  const free: (RectangleMm & { readonly sheet: number })[] = [];
  const laid: PackedRectangle[] = [];
  let sheets = 0;
  for (const { piece, at } of order) {
    let best = bestPlace(free, piece);
    if (!best) {
      free.push({ xMm: 0, yMm: 0, ...sheet, sheet: sheets++ });
      best = bestPlace(free, piece);
    }
    if (!best) throw new RangeError('packRectangles: expected pieces that go on a sheet');
    const [room] = free.splice(best.at, 1) as [(typeof free)[number]];
    const [lengthMm, widthMm] = best.isTurned ? [piece.widthMm, piece.lengthMm] : [piece.lengthMm, piece.widthMm];
    laid.push({
      xMm: room.xMm,
      yMm: room.yMm,
      lengthMm,
      widthMm,
      piece: at,
      sheet: room.sheet,
      isTurned: best.isTurned,
    });
    free.push(...leftOf(room, lengthMm, widthMm).map((each) => ({ ...each, sheet: room.sheet })));
  }
  const filled = pieces.reduce((sum, { lengthMm, widthMm }) => sum + lengthMm * widthMm, 0);
  const atLeast = Math.max(0, Math.ceil(filled / (sheet.lengthMm * sheet.widthMm) - SAME));
  return { sheets, atLeast, laid };
}

/** Shares of a sheet that are one. */
const SAME = 1e-9;

type Place = { readonly at: number; readonly isTurned: boolean };

function bestPlace(free: readonly RectangleMm[], { lengthMm, widthMm }: SizeMm): Place | null {
  let [best, least]: [Place | null, number] = [null, Number.POSITIVE_INFINITY];
  for (const [at, room] of free.entries())
    for (const isTurned of [false, true]) {
      const [long, wide] = isTurned ? [widthMm, lengthMm] : [lengthMm, widthMm];
      const [overLong, overWide] = [room.lengthMm - long, room.widthMm - wide];
      if (overLong < -SAME || overWide < -SAME) continue;
      const strip = Math.min(overLong, overWide);
      if (strip < least) [best, least] = [{ at, isTurned }, strip];
    }
  return best;
}

function leftOf({ xMm, yMm, lengthMm, widthMm }: RectangleMm, long: number, wide: number): readonly RectangleMm[] {
  const isAlong = lengthMm - long <= widthMm - wide;
  const beside = { xMm: xMm + long, yMm, lengthMm: lengthMm - long, widthMm: isAlong ? wide : widthMm };
  const above = { xMm, yMm: yMm + wide, lengthMm: isAlong ? lengthMm : long, widthMm: widthMm - wide };
  return [beside, above].filter((each) => each.lengthMm > SAME && each.widthMm > SAME);
}
