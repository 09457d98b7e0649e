/** What all templates are laid out by: pieces as they lie on the car, and the walls that are left in them. */
import type { LayerPlace } from '../fit';
import { type EllipseMm, ellipseDistance, extents, type PartOutline } from '../geometry';
import type { Template, TemplateHole } from './Template';

type PointMm = { readonly xMm: number; readonly yMm: number };

/** A place of the piece's own frame, where it lies on the car. */
export function moved({ xMm, yMm }: PointMm, at: LayerPlace): PointMm {
  const [cos, sin] = [Math.cos(at.angleRad), Math.sin(at.angleRad)];
  return { xMm: at.xMm + xMm * cos - yMm * sin, yMm: at.yMm + xMm * sin + yMm * cos };
}

/** @param turnRad besides how the piece lies */
export function ellipseAt(outline: PartOutline, at: LayerPlace, turnRad = 0): EllipseMm {
  const { length, width } = extents(outline);
  return {
    ...{ xMm: at.xMm, yMm: at.yMm, angleRad: at.angleRad + turnRad },
    ...{ halfLengthMm: length.valueMm / 2, halfWidthMm: width.valueMm / 2 },
  };
}

export function withWalls(piece: Omit<Template, 'leastWallMm'>): Template {
  return { ...piece, leastWallMm: leastWallMm(piece) };
}

function leastWallMm({ holes, outside, throat }: Omit<Template, 'leastWallMm'>): number {
  const walls = holes.flatMap(({ xMm, yMm, diameterMm }: TemplateHole, at) => [
    // Positive outside an ellipse: the throat is left, the outside is not reached.
    ellipseDistance(throat, xMm, yMm).distanceMm - diameterMm / 2,
    -ellipseDistance(outside, xMm, yMm).distanceMm - diameterMm / 2,
    ...holes
      .slice(at + 1)
      .map((other) => Math.hypot(xMm - other.xMm, yMm - other.yMm) - (diameterMm + other.diameterMm) / 2),
  ]);
  return Math.min(...walls);
}
