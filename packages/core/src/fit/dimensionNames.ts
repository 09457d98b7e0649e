/**
 * Every dimension of an opening by its name: the one place that knows which they are. Margins refer to them by these names,
 * a measurement replaces one. Those of the parts are in `layout/slots`.
 */
import { type BoltPattern, mapOutline, mapPattern } from '../geometry';
import type { Dimension } from '../uncertainty';
import type { FitOpening } from './shapes';

export type DimensionMap = (name: string, dimension: Dimension) => Dimension;

export function mapOpening(opening: FitOpening, of: DimensionMap): FitOpening {
  const at = (key: string, dimension: Dimension) => of(`opening.${key}`, dimension);
  const maybe = (key: string, dimension: Dimension | null) => dimension && at(key, dimension);
  return {
    ...opening,
    hole: mapOutline(opening.hole, (length, ending) => maybe(`hole${ending}`, length)),
    recess: opening.recess && {
      ...opening.recess,
      outline: mapOutline(opening.recess.outline, (length, ending) => at(`recess${ending}`, length)),
    },
    bore: opening.bore && {
      depth: at('bore.depth', opening.bore.depth),
      inside: at('bore.inside', opening.bore.inside),
    },
    bolts: opening.bolts && mapPatternNames(opening.bolts, 'opening.', of),
    depths: opening.depths.map((reading) => ({ ...reading, depth: at(reading.key, reading.depth) })),
    sheet: {
      sideLean: at('sideLean', opening.sheet.sideLean),
      lean: at('lean', opening.sheet.lean),
      curvature: at('curvature', opening.sheet.curvature),
    },
    lowerEdge: maybe('lowerEdge', opening.lowerEdge),
    obstacles: opening.obstacles.map((obstacle) => ({
      ...obstacle,
      depth: at(`obstacle.${obstacle.id}.depth`, obstacle.depth),
      placeX: at(`obstacle.${obstacle.id}.placeX`, obstacle.placeX),
      placeY: at(`obstacle.${obstacle.id}.placeY`, obstacle.placeY),
    })),
    proud: opening.proud.map((thing) => ({
      ...thing,
      height: at(`proud.${thing.id}.height`, thing.height),
      placeX: at(`proud.${thing.id}.placeX`, thing.placeX),
      placeY: at(`proud.${thing.id}.placeY`, thing.placeY),
    })),
    made: opening.made && { ...opening.made, face: at('made.face', opening.made.face) },
    frontGap: maybe('frontGap', opening.frontGap),
    front: opening.front.map((layer) => ({
      ...layer,
      gap: at(`front.${layer.id}.gap`, layer.gap),
      inside: maybe(`front.${layer.id}.inside`, layer.inside),
    })),
  };
}

function mapPatternNames(pattern: BoltPattern, prefix: string, of: DimensionMap): BoltPattern {
  return mapPattern(pattern, (key, dimension) => of(`${prefix}${key}`, dimension));
}
