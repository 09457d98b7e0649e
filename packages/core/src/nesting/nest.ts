/**
 * Lays pieces on as few sheets as it finds. A piece is tried where it touches two of what is there already, edges of the sheet or pieces (the corners
 * of the region in which its middle may lie: J. A. Bennell and J. F. Oliveira, "The geometry of nesting problems: A tutorial", European
 * Journal of Operational Research 184, 2008), in many orders and towards many sides; the best try is kept.
 */
import { seededRandom } from '../math';
import { leastSheets } from './leastSheets';
import type { NestPiece, Sheet } from './NestPiece';
import { corners, DIRECTIONS, HAIR_MM, isOutside, type PointMm, pieceSupports, type Supports } from './supports';

export type Laid = PointMm & {
  /** The place of the piece in what was given. */
  readonly piece: number;
  /** From 0. */
  readonly sheet: number;
  readonly turnRad: number;
  /** The piece in whose throat it lies; null for one in the sheet itself. */
  readonly inside: number | null;
};

export type Nested = {
  readonly sheets: number;
  /** No way needs fewer. */
  readonly atLeast: number;
  readonly laid: readonly Laid[];
  /** Pieces that no empty sheet holds, by their places. */
  readonly tooLarge: readonly number[];
  /** Of each sheet: how much of its length stays whole beyond what is laid, mm. */
  readonly leftMm: readonly number[];
};

const TRIES = 120;
/** Of a piece that is not round: along, across and between. */
const TURNS_RAD = [0, Math.PI / 2, Math.PI / 4];

export function nest(pieces: readonly NestPiece[], sheet: Sheet): Nested {
  const tooLarge = pieces.flatMap((piece, at) => (turnsOf(piece, sheet).length === 0 ? [at] : []));
  const all = pieces.map((_, at) => at).filter((at) => !tooLarge.includes(at));
  const inside = inThroats(pieces, all, sheet.kerfMm);
  const outer = all.filter((at) => !inside.has(at));
  const atLeast = leastSheets(pieces, all, sheet);
  const bySize = outer.toSorted((a, b) => areaOf(pieces[b]) - areaOf(pieces[a]));
  const random = seededRandom(pieces.length + 1);
  let best: readonly Laid[] | null = null;
  for (let turn = 0; turn < TRIES; turn++) {
    const order = turn % 3 === 0 ? bySize : shuffled(bySize, random);
    const pull = turn === 0 ? 0 : random() * 2 * Math.PI;
    const laid = layOut(pieces, order, sheet, pull, turn > 1 ? random : null);
    if (!best || isBetter(laid, best, pieces)) best = laid;
    if (outer.length <= 1) break;
  }
  const laid = [...(best ?? [])];
  const placeOf = (at: number) => laid.find(({ piece }) => piece === at) as Laid;
  // From the largest: what holds another has its own place before.
  for (const [at, host] of [...inside].sort(([a], [b]) => areaOf(pieces[b]) - areaOf(pieces[a]))) {
    const { xMm, yMm, sheet: on, turnRad } = placeOf(host);
    laid.push({ piece: at, sheet: on, xMm, yMm, turnRad, inside: host });
  }
  const sheets = sheetsOf(laid);
  const leftMm = Array.from({ length: sheets }, (_, on) => sheet.lengthMm - usedMm(laid, on, pieces));
  return { sheets, atLeast, laid, tooLarge, leftMm };
}

function areaOf(piece: NestPiece | undefined): number {
  return piece ? piece.halfLengthMm * piece.halfWidthMm : 0;
}

function sheetsOf(laid: readonly Laid[]): number {
  return laid.reduce((most, { sheet }) => Math.max(most, sheet + 1), 0);
}

/** Turns at which an empty sheet holds it. */
function turnsOf(piece: NestPiece, sheet: Sheet): readonly { readonly turnRad: number; readonly supports: Supports }[] {
  const isRound = !piece.corners && Math.abs(piece.halfLengthMm - piece.halfWidthMm) < HAIR_MM;
  return (isRound ? [0] : TURNS_RAD)
    .map((turnRad) => ({ turnRad, supports: pieceSupports(piece, turnRad) }))
    .filter(({ supports }) => {
      const { minX, maxX, minY, maxY } = middles(supports, sheet);
      return minX <= maxX + HAIR_MM && minY <= maxY + HAIR_MM;
    });
}

/** Where the middle of a piece may lie in a sheet, half a kerf off its edges. */
function middles(supports: Supports, { lengthMm, widthMm, kerfMm }: Sheet) {
  const [x, y] = [supports[0] as number, supports[DIRECTIONS / 4] as number];
  const edge = kerfMm / 2;
  return { minX: x + edge, maxX: lengthMm - x - edge, minY: y + edge, maxY: widthMm - y - edge };
}

/** Each piece that goes into the throat of another, with which: one in each, the largest that fits, and chains of them. */
function inThroats(pieces: readonly NestPiece[], all: readonly number[], kerfMm: number): ReadonlyMap<number, number> {
  const bySize = all.toSorted((a, b) => areaOf(pieces[b]) - areaOf(pieces[a]));
  const inside = new Map<number, number>();
  for (const host of bySize) {
    const throat = pieces[host]?.throat;
    if (!throat) continue;
    const guest = bySize.find(
      (at) => at !== host && !inside.has(at) && fitsIn(pieces[at] as NestPiece, throat, kerfMm),
    );
    if (guest !== undefined) inside.set(guest, host);
  }
  return inside;
}

/** As the two lie, the kerf between: an ellipse along another is in it where both of its halves are. */
function fitsIn(piece: NestPiece, throat: NonNullable<NestPiece['throat']>, kerfMm: number): boolean {
  if (piece.corners) return false;
  const [long, short] = [
    Math.max(piece.halfLengthMm, piece.halfWidthMm),
    Math.min(piece.halfLengthMm, piece.halfWidthMm),
  ];
  const least = Math.min(throat.halfLengthMm, throat.halfWidthMm);
  const isAlong = piece.halfLengthMm >= piece.halfWidthMm === throat.halfLengthMm >= throat.halfWidthMm;
  if (long + kerfMm <= least) return true;
  // The offset of an ellipse is none: a kerf all round needs a throat that is longer by it in both, and rounder.
  const most = Math.max(throat.halfLengthMm, throat.halfWidthMm);
  return isAlong && long + kerfMm <= most && short + kerfMm <= least && short / long >= least / most;
}

type Standing = Laid & { readonly supports: Supports };

function layOut(
  pieces: readonly NestPiece[],
  order: readonly number[],
  sheet: Sheet,
  pullRad: number,
  random: (() => number) | null,
): readonly Laid[] {
  const standing: Standing[] = [];
  const [px, py] = random ? [Math.cos(pullRad), Math.sin(pullRad)] : [1, 1e-3];
  for (const piece of order) {
    const turns = turnsOf(pieces[piece] as NestPiece, sheet);
    let found: Standing | null = null;
    for (let on = 0; found === null; on++) {
      const there = standing.filter((each) => each.sheet === on);
      let least = Number.POSITIVE_INFINITY;
      for (const { turnRad, supports } of turns)
        for (const at of freePlaces(supports, there, sheet)) {
          const cost = at.xMm * px + at.yMm * py + (random ? random() * WOBBLE_MM : 0);
          if (cost < least) [least, found] = [cost, { ...at, piece, sheet: on, turnRad, inside: null, supports }];
        }
    }
    standing.push(found);
  }
  return standing.map(({ supports: _, ...laid }) => laid);
}

/** So much a try may take what is not the nearest, mm. */
const WOBBLE_MM = 30;

/** Middles at which a piece touches two of what is there and meets nothing: an empty sheet has its corners. */
function freePlaces(supports: Supports, there: readonly Standing[], sheet: Sheet): readonly PointMm[] {
  const { minX, maxX, minY, maxY } = middles(supports, sheet);
  if (minX > maxX + HAIR_MM || minY > maxY + HAIR_MM) return [];
  // Both grown into one: the middle of the new one is outside of it, or they meet.
  const grown = there.map((other) => ({
    ...{ xMm: other.xMm, yMm: other.yMm },
    supports: other.supports.map((reach, at) => reach + (supports[at] as number) + sheet.kerfMm),
  }));
  const loops = grown.map((each) =>
    corners(each.supports).map(({ xMm, yMm }) => ({ xMm: xMm + each.xMm, yMm: yMm + each.yMm })),
  );
  const frame = [
    ...[
      { xMm: minX, yMm: minY },
      { xMm: maxX, yMm: minY },
      { xMm: maxX, yMm: maxY },
      { xMm: minX, yMm: maxY },
    ],
  ];
  const tried: PointMm[] = [...frame];
  const rings = [frame, ...loops];
  for (let a = 0; a < rings.length; a++)
    for (let b = a + 1; b < rings.length; b++) tried.push(...meetings(rings[a] as PointMm[], rings[b] as PointMm[]));
  return tried.filter(
    ({ xMm, yMm }) =>
      xMm >= minX - HAIR_MM &&
      xMm <= maxX + HAIR_MM &&
      yMm >= minY - HAIR_MM &&
      yMm <= maxY + HAIR_MM &&
      grown.every((each) => isOutside(xMm - each.xMm, yMm - each.yMm, each.supports)),
  );
}

/** Where two closed lines cross. */
function meetings(one: readonly PointMm[], other: readonly PointMm[]): readonly PointMm[] {
  const [a, b] = [boxOf(one), boxOf(other)];
  if (a.maxX < b.minX || b.maxX < a.minX || a.maxY < b.minY || b.maxY < a.minY) return [];
  const found: PointMm[] = [];
  for (let i = 0; i < one.length; i++) {
    const [p, q] = [one[i], one[(i + 1) % one.length]] as [PointMm, PointMm];
    if (Math.max(p.xMm, q.xMm) < b.minX || Math.min(p.xMm, q.xMm) > b.maxX) continue;
    if (Math.max(p.yMm, q.yMm) < b.minY || Math.min(p.yMm, q.yMm) > b.maxY) continue;
    for (let j = 0; j < other.length; j++) {
      const [r, s] = [other[j], other[(j + 1) % other.length]] as [PointMm, PointMm];
      const at = crossingOf(p, q, r, s);
      if (at) found.push(at);
    }
  }
  return found;
}

function crossingOf(p: PointMm, q: PointMm, r: PointMm, s: PointMm): PointMm | null {
  const [dx, dy, ex, ey] = [q.xMm - p.xMm, q.yMm - p.yMm, s.xMm - r.xMm, s.yMm - r.yMm];
  const det = dx * ey - dy * ex;
  if (Math.abs(det) < 1e-12) return null;
  const t = ((r.xMm - p.xMm) * ey - (r.yMm - p.yMm) * ex) / det;
  const u = ((r.xMm - p.xMm) * dy - (r.yMm - p.yMm) * dx) / det;
  if (t < 0 || t > 1 || u < 0 || u > 1) return null;
  return { xMm: p.xMm + t * dx, yMm: p.yMm + t * dy };
}

function boxOf(points: readonly PointMm[]) {
  const [xs, ys] = [points.map(({ xMm }) => xMm), points.map(({ yMm }) => yMm)];
  return { minX: Math.min(...xs), maxX: Math.max(...xs), minY: Math.min(...ys), maxY: Math.max(...ys) };
}

/** Fewer sheets, then less of the length of the last one. */
function isBetter(laid: readonly Laid[], than: readonly Laid[], pieces: readonly NestPiece[]): boolean {
  const [mine, theirs] = [sheetsOf(laid), sheetsOf(than)];
  if (mine !== theirs) return mine < theirs;
  return usedMm(laid, mine - 1, pieces) < usedMm(than, theirs - 1, pieces) - HAIR_MM;
}

/** How far what lies on a sheet reaches along it, mm. */
function usedMm(laid: readonly Laid[], on: number, pieces: readonly NestPiece[]): number {
  return laid
    .filter(({ sheet }) => sheet === on)
    .reduce((most, { piece, xMm, turnRad }) => {
      return Math.max(most, xMm + (pieceSupports(pieces[piece] as NestPiece, turnRad)[0] as number));
    }, 0);
}

function shuffled(order: readonly number[], random: () => number): readonly number[] {
  const next = [...order];
  for (let at = next.length - 1; at > 0; at--) {
    const other = Math.floor(random() * (at + 1));
    [next[at], next[other]] = [next[other] as number, next[at] as number];
  }
  return next;
}
