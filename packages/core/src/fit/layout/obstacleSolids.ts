/** What stands behind a hole as solids: rods are endless along their axis, for a beam crosses the door. */
import type { BoxSolid, ConvexSolid } from '../../geometry';
import { add, cross, dot, length, type Rod, rod, scale, subtract, unit, type Vec3 } from '../../geometry';
import type { FitObstacle } from '../shapes';

const ROD_HALF_MM = 1000;

function directionOf({ angleRad, tiltRad }: FitObstacle): Vec3 {
  return [Math.cos(angleRad) * Math.cos(tiltRad), Math.sin(angleRad) * Math.cos(tiltRad), Math.sin(tiltRad)];
}

function placeOf({ xMm, yMm, placeX, placeY }: FitObstacle): readonly [number, number] {
  return [xMm + placeX.valueMm, yMm + placeY.valueMm];
}

/** The rod whose surface is nearest to the cabin at the noted place. */
export function obstacleRod(obstacle: FitObstacle): Rod {
  if (obstacle.shape.kind !== 'rod') throw new Error('obstacleRod: expected a rod, got a box');
  const radius = obstacle.shape.diameterMm / 2;
  const z = obstacle.depth.valueMm + radius / Math.cos(obstacle.tiltRad);
  return rod([...placeOf(obstacle), z], directionOf(obstacle), radius);
}

/** The box whose middle of the cabin face is at the noted place. */
export function obstacleBox(obstacle: FitObstacle): BoxSolid {
  if (obstacle.shape.kind !== 'box') throw new Error('obstacleBox: expected a box, got a rod');
  const { lengthMm, widthMm, thicknessMm } = obstacle.shape;
  const along = directionOf(obstacle);
  const across: Vec3 = [-Math.sin(obstacle.angleRad), Math.cos(obstacle.angleRad), 0];
  const inwards = cross(along, across);
  return {
    middle: add([...placeOf(obstacle), obstacle.depth.valueMm], scale(inwards, thicknessMm / 2)),
    axes: [along, across, inwards],
    halfSizeMm: [lengthMm / 2, widthMm / 2, thicknessMm / 2],
  };
}

/** A rod long enough to cross any door, for pairs that have no closed form. */
export function rodSolid({ at, direction, radiusMm }: Rod): ConvexSolid {
  return {
    middle: at,
    farthest: (n) => {
      const along = dot(n, direction);
      const across = subtract(n, scale(direction, along));
      const end = add(at, scale(direction, along >= 0 ? ROD_HALF_MM : -ROD_HALF_MM));
      return length(across) > 1e-12 ? add(end, scale(unit(across), radiusMm)) : end;
    },
  };
}
