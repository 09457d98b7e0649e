/**
 * Convex shapes by how far they reach in each of some directions (their support function): two shapes grown by one another reach as far as both
 * together, which makes out of "do they meet" a look at one point. An ellipse is drawn around, never cut into: what is said to be clear is.
 */
import type { NestPiece } from './NestPiece';

export const DIRECTIONS = 72;
const COS = Array.from({ length: DIRECTIONS }, (_, at) => Math.cos((2 * Math.PI * at) / DIRECTIONS));
const SIN = Array.from({ length: DIRECTIONS }, (_, at) => Math.sin((2 * Math.PI * at) / DIRECTIONS));

export type Supports = readonly number[];
export type PointMm = { readonly xMm: number; readonly yMm: number };

/** How far an ellipse about its middle reaches in each direction, mm. */
function ellipseSupports(halfLengthMm: number, halfWidthMm: number, turnRad: number): Supports {
  const [c, s] = [Math.cos(turnRad), Math.sin(turnRad)];
  return COS.map((cos, at) => {
    const sin = SIN[at] as number;
    return Math.hypot(halfLengthMm * (cos * c + sin * s), halfWidthMm * (sin * c - cos * s));
  });
}

/**
 * How far a piece with corners reaches in each direction, and its like turned by half a turn: what stands for both is even about its middle, as all of
 * this asks.
 */
function cornerSupports(corners: readonly PointMm[], turnRad: number): Supports {
  const [c, s] = [Math.cos(turnRad), Math.sin(turnRad)];
  return COS.map((cos, at) => {
    const sin = SIN[at] as number;
    const [ux, uy] = [cos * c + sin * s, sin * c - cos * s];
    return Math.max(...corners.map(({ xMm, yMm }) => Math.abs(xMm * ux + yMm * uy)));
  });
}

export function pieceSupports({ halfLengthMm, halfWidthMm, corners }: NestPiece, turnRad: number): Supports {
  return corners ? cornerSupports(corners, turnRad) : ellipseSupports(halfLengthMm, halfWidthMm, turnRad);
}

/** Whether a point lies outside what reaches so far, by more than a hair. */
export function isOutside(dx: number, dy: number, supports: Supports): boolean {
  for (let at = 0; at < DIRECTIONS; at++)
    if (dx * (COS[at] as number) + dy * (SIN[at] as number) >= (supports[at] as number) - HAIR_MM) return true;
  return false;
}

export const HAIR_MM = 1e-6;

/** The corners of what reaches so far: where its neighbouring edges meet. */
export function corners(supports: Supports): readonly PointMm[] {
  return supports.map((reach, at) => {
    const next = (at + 1) % DIRECTIONS;
    const [c1, s1, c2, s2] = [COS[at], SIN[at], COS[next], SIN[next]] as [number, number, number, number];
    const other = supports[next] as number;
    const det = c1 * s2 - c2 * s1;
    return { xMm: (reach * s2 - other * s1) / det, yMm: (c1 * other - c2 * reach) / det };
  });
}
