/** How far a housing keeps from what must stay free beside and in front of it. */
import { boxSolid, type ConvexSolid, convexDistance, type Vec3 } from '../geometry';
import { FREE_KINDS, type FreeKind, type FreeThere, type Housing, STAYS_FREE } from './Housing';
import { AROUND, type Shell, shellOf } from './shell';

export type FreeFinding = {
  readonly kind: FreeKind;
  /** `open`: nobody looked. `near`: what was typed may be off by more than what is left or missing. */
  readonly standing: 'none' | 'clears' | 'near' | 'hits' | 'open' | 'givenUp';
  /** What is left beside the room that is kept, mm; negative is missing. Null where nothing was measured. */
  readonly marginMm: number | null;
};

/** From the panel outwards all that begins there is kept free, mm. */
const FAR_MM = 2000;
/** The housing in so many convex pieces about the line from its base to its face: a piece is the hull of its edges, never less than what is there. */
const PIECES = 72;

/** @returns one of each; all `open` besides what nobody has where there is no such housing */
export function staysFree(housing: Housing): readonly FreeFinding[] {
  const shell = shellOf(housing);
  return FREE_KINDS.map((kind): FreeFinding => {
    const said = housing.free[kind];
    if (said === undefined) return { kind, standing: 'open', marginMm: null };
    if (said.kind !== 'there') return { kind, standing: said.kind, marginMm: null };
    if (!shell.ok) return { kind, standing: 'open', marginMm: null };
    const marginMm = distanceMm(housing, shell.value, said) - STAYS_FREE[kind].askedMm;
    return { kind, standing: standingOf(marginMm, housing.offMm), marginMm };
  });
}

/** Both the base and what is beside it may be off by as much, each its own way. */
function standingOf(marginMm: number, offMm: number): FreeFinding['standing'] {
  const doubtMm = Math.SQRT2 * offMm;
  if (marginMm >= doubtMm) return 'clears';
  return marginMm <= -doubtMm ? 'hits' : 'near';
}

const known = new WeakMap<FreeThere, { readonly of: Housing; readonly mm: number }>();

/** Signed: negative is how far one of the two would have to move, at the least. */
function distanceMm(housing: Housing, shell: Shell, there: FreeThere): number {
  const before = known.get(there);
  if (before?.of === housing) return before.mm;
  const room = roomOf(there);
  const parted = Math.min(...piecesOf(housing, shell).map((piece) => convexDistance(piece, room).distanceMm));
  // Of what meets, a piece knows only its own part: the whole, as if it were stretched with a film, knows how far it reaches.
  const mm = parted > 0 ? parted : Math.min(parted, convexDistance(hullOf(wholeOf(shell)), room).distanceMm);
  known.set(there, { of: housing, mm });
  return mm;
}

function roomOf({ xMm, yMm, widthMm, heightMm, fromMm }: FreeThere): ConvexSolid {
  return boxSolid({
    middle: [xMm, yMm, -fromMm - FAR_MM / 2],
    axes: [
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
    ],
    halfSizeMm: [widthMm / 2, heightMm / 2, FAR_MM / 2],
  });
}

function wholeOf({ base, face }: Shell): readonly Vec3[] {
  return [...base.map(([x, y]): Vec3 => [x, y, 0]), ...face];
}

function piecesOf({ xMm, yMm, heightMm }: Housing, { base, face }: Shell): readonly ConvexSolid[] {
  const each = AROUND / PIECES;
  return Array.from({ length: PIECES }, (_, piece) => {
    const corners: Vec3[] = [
      [xMm, yMm, 0],
      [xMm, yMm, -heightMm],
    ];
    for (let at = piece * each; at <= (piece + 1) * each; at++) {
      const [x, y] = base[at % AROUND] as readonly [number, number];
      corners.push([x, y, 0], face[at % AROUND] as Vec3);
    }
    return hullOf(corners);
  });
}

function hullOf(corners: readonly Vec3[]): ConvexSolid {
  const sum = corners.reduce(([x, y, z], [dx, dy, dz]) => [x + dx, y + dy, z + dz] as Vec3, [0, 0, 0] as Vec3);
  return {
    middle: [sum[0] / corners.length, sum[1] / corners.length, sum[2] / corners.length],
    farthest: ([nx, ny, nz]) => {
      let [best, most] = [corners[0] as Vec3, Number.NEGATIVE_INFINITY];
      for (const corner of corners) {
        const reach = corner[0] * nx + corner[1] * ny + corner[2] * nz;
        if (reach > most) [best, most] = [corner, reach];
      }
      return best;
    },
  };
}
