/** What all templates are laid out by: pieces as they lie on the car, and the walls that are left in them. */
import type { LayerPlace } from '../fit';
import { type EllipseMm, extents, type PartOutline } from '../geometry';
import { offEdgeMm, type PlaceMm } from './edges';
import type { Template, TemplateHole } from './Template';

/** A place of the piece's own frame, where it lies on the car. */
export function moved({ xMm, yMm }: PlaceMm, at: LayerPlace): PlaceMm {
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

/** How deep a pilot may be in a solid sheet, of its thickness (common practice, no source). */
const PILOT_SHARE = 0.75;

/**
 * @param coverMm so much stays between a pilot's end and the other face, where that one is seen; 0 where it is not
 * @returns to a tenth, and never more, mm
 */
export function pilotMm(thicknessMm: number, coverMm = 0): number {
  return Math.max(0, Math.floor(10 * Math.min(PILOT_SHARE * thicknessMm, thicknessMm - coverMm)) / 10);
}

type Walled = Omit<Template, 'leastWallMm' | 'pilotMm'>;

export function withWalls(piece: Walled, coverMm = 0): Template {
  return { ...piece, leastWallMm: leastWallMm(piece), pilotMm: pilotMm(piece.thicknessMm, coverMm) };
}

function leastWallMm({ holes, outside, throat }: Walled): number {
  const walls = holes.flatMap(({ xMm, yMm, diameterMm }: TemplateHole, at) => [
    // Positive outside an edge: the throat is left, the outside is not reached.
    offEdgeMm(throat, xMm, yMm) - diameterMm / 2,
    -offEdgeMm(outside, xMm, yMm) - diameterMm / 2,
    ...holes
      .slice(at + 1)
      .map((other) => Math.hypot(xMm - other.xMm, yMm - other.yMm) - (diameterMm + other.diameterMm) / 2),
  ]);
  return Math.min(...walls, -offEdgeMm(outside, throat.xMm, throat.yMm));
}
