/** Where the car can be drilled: a new hole needs metal around it, clear of the hole of the opening and of old screw holes. */
import type { HoleMm } from '../../geometry';
import { type OutlineMm, outlineMm, rectangleRoom } from '../../geometry';
import type { FitOpening } from '../shapes';

/** A place of the face, mm. */
export type Place = readonly [number, number];

/**
 * Whether a hole for a screw of this diameter can be drilled at a place: not into the opening, or at its edge, and not beside an old one.
 *
 * @param old screw holes of the car
 */
export function canBeDrilled(
  { hole, holeRad }: Pick<FitOpening, 'hole' | 'holeRad'>,
  old: readonly HoleMm[],
  place: Place,
  diameterMm: number,
): boolean {
  const outline = outlineMm(hole);
  return outline !== null && isInMetal(place, outline, holeRad, diameterMm) && isAwayFrom(old, place, diameterMm);
}

/** So many diameters of metal are left around a new hole (common practice, no source). */
const METAL_DIAMETERS = 1;

function isInMetal([xMm, yMm]: Place, hole: OutlineMm, holeRad: number, diameterMm: number): boolean {
  const at = { xMm, yMm, angleRad: 0, halfLengthMm: 0, halfWidthMm: 0 };
  const { roomMm } = rectangleRoom(hole, { xMm: 0, yMm: 0, angleRad: holeRad }, at);
  return -roomMm >= diameterMm / 2 + METAL_DIAMETERS * diameterMm;
}

function isAwayFrom(old: readonly HoleMm[], [x, y]: Place, diameterMm: number): boolean {
  return old.every(({ xMm, yMm }) => Math.hypot(x - xMm, y - yMm) >= (1 + METAL_DIAMETERS) * diameterMm);
}
