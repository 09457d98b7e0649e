/**
 * The wall of a housing: rings of places, each against the one beside it. The base follows the contour from inside: as far as one sees from the
 * middle of the face, kept so far off that no place of the contour is nearer than asked.
 */
import { polygonPoints, type Vec3 } from '../geometry';
import { fail, ok, type Result } from '../result';
import { faceFrame, fromFace } from './frame';
import type { Housing } from './Housing';

export type PlaceMm = readonly [x: number, y: number];

export type Shell = {
  /** On the panel, anticlockwise as it is seen from the cabin: outside, and inside of the wall. Both as many. */
  readonly base: readonly PlaceMm[];
  readonly inside: readonly PlaceMm[];
  /** The edge of the face against each of them; and inside of the wall, behind the face. */
  readonly face: readonly Vec3[];
  readonly behind: readonly Vec3[];
};

/** So many places all round: on a base of 300 mm one every 2.6 mm. */
export const AROUND = 360;
/** Between the hole and the edge of the face at the least: what a screw takes with wood on both sides of it, mm (common practice, no source). */
export const LEAST_RIM_MM = 10;
/** A face that turns may come so near to the panel with its lower edge, mm, besides its own thickness. */
const LEAST_LIP_MM = 2;

/** A contour is traced by hand: its arcs are followed as near as that, mm. */
const CHORD_MM = 0.1;

const known = new WeakMap<Housing, Result<Shell, string>>();

/** @returns why there is no such housing, in a sentence that says what would do */
export function shellOf(housing: Housing): Result<Shell, string> {
  let shell = known.get(housing);
  if (!shell) {
    shell = build(housing);
    known.set(housing, shell);
  }
  return shell;
}

function build(housing: Housing): Result<Shell, string> {
  const { faceMm, holeMm, boardMm, wallMm, rimMm, heightMm, angleDeg } = housing;
  if ((faceMm - holeMm) / 2 < LEAST_RIM_MM)
    return fail(
      `Its face leaves ${tenth((faceMm - holeMm) / 2)} mm beside the hole: at least ${LEAST_RIM_MM} mm, so a face of ${tenth(holeMm + 2 * LEAST_RIM_MM)} mm or more.`,
    );
  const sinksMm = (faceMm / 2) * Math.sin((angleDeg * Math.PI) / 180);
  const leastMm = sinksMm + boardMm + LEAST_LIP_MM;
  if (heightMm < leastMm)
    return fail(
      `Turned by ${angleDeg}° the lower edge of its face would be ${tenth(heightMm - sinksMm)} mm above the panel: make it at least ${Math.ceil(leastMm)} mm high, or turn it less.`,
    );
  const base = baseOf(housing, 0);
  if (!base.ok) return base;
  const inside = baseOf(housing, rimMm);
  if (!inside.ok) return fail(`A rim of ${rimMm} mm leaves nothing inside: ${inside.failure}`);
  const frame = faceFrame(housing);
  const ring = (radiusMm: number, depthMm: number) =>
    DIRECTIONS.map(([cos, sin]) => fromFace(frame, [radiusMm * cos, radiusMm * sin, depthMm]));
  return ok({
    base: base.value,
    inside: inside.value,
    face: ring(faceMm / 2, 0),
    behind: ring(faceMm / 2 - wallMm, boardMm),
  });
}

const DIRECTIONS = Array.from({ length: AROUND }, (_, at): PlaceMm => {
  const turn = (2 * Math.PI * at) / AROUND;
  return [Math.cos(turn), Math.sin(turn)];
});

function baseOf({ base, xMm, yMm }: Housing, byMm: number): Result<readonly PlaceMm[], string> {
  if (base.kind === 'round') {
    const radiusMm = base.diameterMm / 2 - byMm;
    if (radiusMm <= 0) return fail(`its base is ${tenth(base.diameterMm)} mm across.`);
    return ok(DIRECTIONS.map(([cos, sin]) => [xMm + radiusMm * cos, yMm + radiusMm * sin]));
  }
  const corners = polygonPoints({ corners: base.corners }, CHORD_MM);
  const keptMm = base.insetMm + byMm;
  if (!isWithin(corners, [xMm, yMm]))
    return fail('the middle of its face lies outside of the contour: move it, or trace the contour about it.');
  const edges = corners.map((from, at) => [from, corners[(at + 1) % corners.length] as PlaceMm] as const);
  const nearestMm = Math.min(...edges.map(([from, to]) => distanceTo(from, to, [xMm, yMm])));
  if (nearestMm <= keptMm)
    return fail(
      `the middle of its face lies ${tenth(nearestMm)} mm from the contour, which keeps ${tenth(keptMm)} mm free: move it inwards.`,
    );
  return ok(
    DIRECTIONS.map((direction) => {
      const farMm = Math.min(...edges.map(([from, to]) => entryMm(from, to, keptMm, [xMm, yMm], direction)));
      return [xMm + farMm * direction[0], yMm + farMm * direction[1]];
    }),
  );
}

function tenth(mm: number): number {
  return Math.round(mm * 10) / 10;
}

/** Even-odd: how often a ray to the right crosses. */
function isWithin(corners: readonly PlaceMm[], [x, y]: PlaceMm): boolean {
  let crossings = 0;
  corners.forEach(([ax, ay], at) => {
    const [bx, by] = corners[(at + 1) % corners.length] as PlaceMm;
    if (ay > y !== by > y && x < ax + ((y - ay) * (bx - ax)) / (by - ay)) crossings++;
  });
  return crossings % 2 === 1;
}

function distanceTo([ax, ay]: PlaceMm, [bx, by]: PlaceMm, [x, y]: PlaceMm): number {
  const [dx, dy] = [bx - ax, by - ay];
  const square = dx * dx + dy * dy;
  const t = square === 0 ? 0 : Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / square));
  return Math.hypot(x - ax - t * dx, y - ay - t * dy);
}

/** How far one goes from a place in a direction until an edge is as near as `keptMm`: where the ray enters the edge grown by it. Infinity for never. */
function entryMm(from: PlaceMm, to: PlaceMm, keptMm: number, [x, y]: PlaceMm, [ux, uy]: PlaceMm): number {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const lengthMm = Math.hypot(dx, dy);
  const entries = [from, to].map((end) => circleEntryMm(end, keptMm, [x, y], [ux, uy]));
  if (lengthMm > 0) {
    const [ex, ey] = [dx / lengthMm, dy / lengthMm];
    const offMm = (x - from[0]) * -ey + (y - from[1]) * ex;
    const rate = ux * -ey + uy * ex;
    // Towards the nearer side of the edge, where it runs along.
    const goMm = Math.abs(rate) < 1e-12 ? Number.NaN : (Math.sign(offMm) * keptMm - offMm) / rate;
    const alongMm = (x + goMm * ux - from[0]) * ex + (y + goMm * uy - from[1]) * ey;
    if (goMm >= 0 && alongMm >= 0 && alongMm <= lengthMm) entries.push(goMm);
  }
  return Math.min(...entries);
}

function circleEntryMm([cx, cy]: PlaceMm, radiusMm: number, [x, y]: PlaceMm, [ux, uy]: PlaceMm): number {
  const [fx, fy] = [cx - x, cy - y];
  const alongMm = fx * ux + fy * uy;
  const missSquare = fx * fx + fy * fy - alongMm * alongMm;
  const square = radiusMm * radiusMm - missSquare;
  // An edge without a kept distance is met on its line alone, corners among it.
  if (square < 0 || alongMm <= 0) return Number.POSITIVE_INFINITY;
  return alongMm - Math.sqrt(square);
}
