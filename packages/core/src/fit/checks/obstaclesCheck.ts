/**
 * Beam, rail, wiring, second skin and whatever else stands behind the hole: the least distance from the body and its
 * terminals to each, less the clearance that its kind asks. Rods are endless along their axis: a beam crosses the door.
 */
import { type BoxSolid, boxSolid, type ConvexSolid, pieceSolid } from '../../geometry/ConvexSolid';
import { convexDistance } from '../../geometry/convexDistance';
import { closestPoints, newGap } from '../../geometry/Gap';
import { PlacedBody } from '../../geometry/PlacedBody';
import { type Rod, rod, rodGap } from '../../geometry/rodGap';
import { add, cross, dot, length, scale, subtract, unit, type Vec3 } from '../../geometry/vector';
import { chained, named, quantity } from '../../uncertainty/Quantity';
import type { LengthUnit } from '../../units/parseLength';
import { printLength } from '../../units/printLength';
import { placedBoxes } from '../bodyBoxes';
import { type Check, factCheck, type GapOption, worstGapCheck } from '../Check';
import type { Mount } from '../mount';
import type { Candidate, FitObstacle, FitOpening, FitRules } from '../shapes';
import { speakerBody } from '../speakerBody';
import { raised } from '../stack';
import { bodyTerms } from './depthCheck';

/** Which ring of which body part was nearest, and the sensitivities that go with it. */
type Found = {
  readonly gapMm: number;
  readonly direction: Vec3;
  readonly onPart: Vec3;
  readonly onOther: Vec3;
  readonly reach: { readonly ring: number; readonly alongRatio: number; readonly acrossRatio: number } | null;
};

const ROD_HALF_MM = 1000;

export function obstaclesCheck(
  opening: FitOpening,
  candidate: Candidate,
  mount: Mount,
  rules: FitRules,
  unit: LengthUnit,
): Check {
  if (opening.obstacles.length === 0) {
    return factCheck('obstacles', 'clears', 'No beam, rail or wiring is noted behind this opening.');
  }
  const options = opening.obstacles.flatMap((obstacle) => obstacleOptions(obstacle, candidate, mount, rules, unit));
  return worstGapCheck('obstacles', options, rules.confidence);
}

export function obstacleClearanceMm({ kind }: Pick<FitObstacle, 'kind'>, { clearancesMm }: FitRules): number {
  return kind === 'wiring' ? clearancesMm.wiring : clearancesMm.metal;
}

function obstacleOptions(
  obstacle: FitObstacle,
  candidate: Candidate,
  mount: Mount,
  rules: FitRules,
  unit: LengthUnit,
): readonly GapOption[] {
  const asked = obstacleClearanceMm(obstacle, rules);
  const body = speakerBody(candidate.speaker);
  const found = [
    { ...bodyGap(obstacle, candidate, mount), part: 'body' },
    ...placedBoxes(candidate.speaker, mount.pose).map(({ solid, label }) => ({
      ...solidGap(solid, obstacle),
      part: label,
    })),
  ];
  return found.map(({ gapMm, direction, onPart, onOther, reach, part }): GapOption => {
    const { id } = obstacle;
    const terms = [
      ...chained([
        [named(`opening.obstacle.${id}.depth`, obstacle.depth), direction[2]],
        [named(`opening.obstacle.${id}.place`, obstacle.place), Math.hypot(direction[0], direction[1])],
        [raised(candidate), direction[2]],
      ]),
      ...(reach ? bodyTerms(body, reach, direction[2]) : []),
    ];
    return {
      quantity: quantity(gapMm - asked, terms),
      nearest: { onPart, onOther, askedMm: asked },
      sentence: ({ valueMm }, verdict) => obstacleSentence(obstacle, part, valueMm + asked, asked, verdict, unit),
    };
  });
}

function obstacleSentence(
  { label }: FitObstacle,
  part: string,
  gapMm: number,
  askedMm: number,
  verdict: string,
  unit: LengthUnit,
): string {
  const room = `the shop asks ${printLength(askedMm, unit)}`;
  if (gapMm < 0) return `The ${part} would stand ${printLength(-gapMm, unit)} into the ${label}; ${room} of air.`;
  return `The ${part} stays ${printLength(gapMm, unit)} off the ${label}; ${room}${verdict === 'measure' ? ', too close to call' : ''}.`;
}

function bodyGap(obstacle: FitObstacle, { speaker }: Candidate, { pose }: Mount): Found {
  const { ringsMm, pieces } = speakerBody(speaker);
  const placed = new PlacedBody().set(ringsMm, pieces, pose);
  if (obstacle.shape.kind === 'rod') {
    const gap = newGap();
    rodGap(gap, placed, obstacleRod(obstacle));
    const { onBody, onOther } = closestPoints(gap);
    return {
      gapMm: gap.gapMm,
      direction: [gap.nx, gap.ny, gap.nz],
      onPart: onBody,
      onOther,
      reach: gap.reach,
    };
  }
  const box = boxSolid(obstacleBox(obstacle));
  const reach = newGap().reach;
  let best: Found | null = null;
  for (let at = 0; at < pieces.length; at += 2) {
    const from = pieces[at] as number;
    const to = pieces[at + 1] as number;
    const { distanceMm, direction, onFirst, onSecond } = convexDistance(pieceSolid(placed, from, to), box);
    if (best && distanceMm >= best.gapMm) continue;
    placed.reach(reach, from, to, ...direction);
    best = { gapMm: distanceMm, direction, onPart: onFirst, onOther: onSecond, reach: { ...reach } };
  }
  if (!best) throw new Error('bodyGap: expected a body of at least one piece');
  return best;
}

function solidGap(solid: ConvexSolid, obstacle: FitObstacle): Found {
  const other = obstacle.shape.kind === 'rod' ? rodSolid(obstacleRod(obstacle)) : boxSolid(obstacleBox(obstacle));
  const { distanceMm, direction, onFirst, onSecond } = convexDistance(solid, other);
  return { gapMm: distanceMm, direction, onPart: onFirst, onOther: onSecond, reach: null };
}

function obstacleDirection({ angleRad, tiltRad }: FitObstacle): Vec3 {
  return [Math.cos(angleRad) * Math.cos(tiltRad), Math.sin(angleRad) * Math.cos(tiltRad), Math.sin(tiltRad)];
}

/** The rod whose surface is nearest to the cabin at the noted place. */
export function obstacleRod(obstacle: FitObstacle): Rod {
  if (obstacle.shape.kind !== 'rod') throw new Error('obstacleRod: expected a rod, got a box');
  const radius = obstacle.shape.diameterMm / 2;
  const z = obstacle.depth.valueMm + radius / Math.cos(obstacle.tiltRad);
  return rod([obstacle.xMm, obstacle.yMm, z], obstacleDirection(obstacle), radius);
}

/** The box whose middle of the cabin face is at the noted place. */
export function obstacleBox(obstacle: FitObstacle): BoxSolid {
  if (obstacle.shape.kind !== 'box') throw new Error('obstacleBox: expected a box, got a rod');
  const { lengthMm, widthMm, thicknessMm } = obstacle.shape;
  const along = obstacleDirection(obstacle);
  const across: Vec3 = [-Math.sin(obstacle.angleRad), Math.cos(obstacle.angleRad), 0];
  const inwards = cross(along, across);
  return {
    middle: add([obstacle.xMm, obstacle.yMm, obstacle.depth.valueMm], scale(inwards, thicknessMm / 2)),
    axes: [along, across, inwards],
    halfSizeMm: [lengthMm / 2, widthMm / 2, thicknessMm / 2],
  };
}

export function obstacleSolid(obstacle: FitObstacle): ConvexSolid {
  return obstacle.shape.kind === 'rod' ? rodSolid(obstacleRod(obstacle)) : boxSolid(obstacleBox(obstacle));
}

/** A rod long enough to cross any door, for pairs that have no closed form. */
function rodSolid({ at, direction, radiusMm }: Rod): ConvexSolid {
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
