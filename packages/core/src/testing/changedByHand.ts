/** Changes of an opening as a hand makes them, for tests that follow one. */
import type { FitOpening, FrontLayer } from '../fit/shapes';
import type { Dimension } from '../uncertainty/Dimension';

/** One change: mostly small, at times a jump; now and then two lengths at once, or what no length is. */
export function changedByHand(opening: FitOpening, random: () => number): FitOpening {
  const by = (random() - 0.5) * (random() < 0.3 ? 8 : 1);
  const moved = (dimension: Dimension) => ({ ...dimension, valueMm: dimension.valueMm + by });
  const depths = opening.depths.map((each) => ({ ...each, depth: moved(each.depth) }));
  const frontGap = opening.frontGap && moved(opening.frontGap);
  switch (Math.floor(random() * 11)) {
    case 0:
      return { ...opening, depths: opening.depths.map((each, at) => (at === 0 ? (depths[0] ?? each) : each)) };
    case 1:
      return { ...opening, frontGap };
    case 2:
      return {
        ...opening,
        obstacles: opening.obstacles.map((each) => ({ ...each, depth: moved(each.depth), xMm: each.xMm + by })),
      };
    case 3:
      return opening.hole.kind === 'circle' && opening.hole.diameter
        ? { ...opening, hole: { kind: 'circle', diameter: moved(opening.hole.diameter) } }
        : opening;
    case 4:
      return opening.bolts?.shape.kind === 'circle'
        ? {
            ...opening,
            bolts: {
              ...opening.bolts,
              shape: { ...opening.bolts.shape, diameter: moved(opening.bolts.shape.diameter) },
            },
          }
        : opening;
    case 5:
      return { ...opening, frontGap, depths };
    case 6:
      // Read again with a better instrument: not the same length any more.
      return { ...opening, frontGap: frontGap && { ...frontGap, uncertaintyMm: 0.1 + random() * 0.4 } };
    case 7:
      return { ...opening, secondPlug: random() < 0.5 ? 'none' : 'warning' };
    case 8:
      return { ...opening, front: opening.frontGap && random() < 0.7 ? [layerInFront(opening.frontGap, random)] : [] };
    case 9:
      return opening.hole.kind === 'circle' && opening.hole.diameter
        ? { ...opening, ...turnedOval(opening.hole.diameter, random) }
        : { ...opening, holeRad: random() - 0.5 };
    default:
      return { ...opening, nominalSize: random() < 0.5 ? '6.5 in' : '5.25 in' };
  }
}

function layerInFront(gap: Dimension, random: () => number): FrontLayer {
  const inside = random() < 0.7 ? { ...gap, valueMm: 110 + random() * 90 } : null;
  const kind = random() < 0.3 ? 'cloth' : 'card';
  return { id: 'layer', label: 'layer', kind, gap: { ...gap, valueMm: gap.valueMm * (0.3 + random()) }, inside };
}

function turnedOval(diameter: Dimension, random: () => number): Pick<FitOpening, 'hole' | 'holeRad'> {
  const length = { ...diameter, valueMm: diameter.valueMm + 30 * random() };
  return { hole: { kind: 'oval', length, width: diameter }, holeRad: random() - 0.5 };
}
