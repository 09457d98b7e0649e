/**
 * Beam, rail, wiring, second skin and whatever else stands behind the hole: the least distance from the body and its
 * terminals to each, less the clearance that its kind asks. Rods are endless along their axis: a beam crosses the door.
 */

import type { Vec3 } from '../../../geometry';
import {
  type ConvexSolid,
  closestPoints,
  convexDistance,
  newGap,
  newReach,
  pieceSolid,
  type Reach,
  rodGap,
} from '../../../geometry';
import type { LengthUnit } from '../../../units';
import { printLength } from '../../../units';
import type { Aside, ObstacleShape } from '../../layout/OpeningShape';
import type { View } from '../../layout/View';
import type { FitObstacle, FitOpening, FitRules } from '../../shapes';
import { addBody, addBox } from '../bodyTerms';
import type { CheckKind, Told } from '../CheckKind';
import type { Gaps } from '../Gaps';

/** Tags: an obstacle, and the body or one of its boxes. */
const PARTS = 16;
const NONE_THERE = 1000;
const NOT_LOOKED = 1001;

/** The gap of the body to an obstacle, with the ring that is nearest. */
type Found = {
  readonly gapMm: number;
  readonly direction: Vec3;
  readonly onPart: Vec3;
  readonly onOther: Vec3;
  readonly reach: Reach;
};

const gap = newGap();

export const obstacles: CheckKind = {
  askedAt: 12,
  mostSides: 2,
  dependsOnTurn: () => true,
  setsHeight: 'least',
  ask(view, gaps, rules) {
    const all = view.opening.obstacles;
    for (let at = 0; at < all.length; at++) {
      const each = all[at] as ObstacleShape;
      const asked = obstacleClearanceMm(each.obstacle, rules);
      askBody(view, gaps, each, asked, at * PARTS);
      const { boxes } = view;
      for (let box = 0; box < boxes.length; box++) {
        const found = convexDistance((boxes[box] as View['boxes'][number]).solid, each.solid);
        addObstacle(view, each, found.direction);
        addBox(view, found.direction[2]);
        gaps.offer(found.distanceMm - asked, at * PARTS + 1 + box);
      }
    }
    const isLooked = view.opening.opening.obstaclesLooked;
    if (all.length === 0) {
      if (isLooked) gaps.fact('clears', NONE_THERE);
      else gaps.notLooked('opening', NOT_LOOKED);
    } else if (!isLooked && gaps.verdict === 'clears') gaps.notLookedFurther('opening');
  },
  tell(view, gaps, rules, unit) {
    if (gaps.tag === NONE_THERE)
      return { sentence: 'Somebody looked behind this opening: no beam, rail or wiring is there.', nearest: null };
    if (gaps.tag === NOT_LOOKED) return { sentence: notLookedWords(view.opening.opening), nearest: null };
    const told = obstacleWords(view, gaps, rules, unit);
    return gaps.isJudged ? told : { ...told, sentence: `${told.sentence} ${notLookedWords(view.opening.opening)}` };
  },
};

/** What is to be looked for behind an opening that nobody has looked behind. */
export function notLookedWords({ obstacles: noted }: Pick<FitOpening, 'obstacles'>): string {
  const what = noted.length > 0 ? 'more than what is noted' : 'a beam, a rail or wiring';
  return `Nobody has looked behind this opening for ${what}: a lamp and a minute tell.`;
}

/** Off what is soft no air is asked: it may be pressed in as far as it gives. */
export function obstacleClearanceMm(
  { kind, givesMm }: Pick<FitObstacle, 'kind' | 'givesMm'>,
  { clearancesMm }: FitRules,
): number {
  if (kind === 'soft') return -givesMm;
  return kind === 'wiring' ? clearancesMm.wiring : clearancesMm.metal;
}

/** An obstacle that comes nearer, or stands aside of where it was noted. */
export function addObstacle(
  { doubts }: View,
  { depthSlot, placeXSlot, placeYSlot }: ObstacleShape,
  [nx, ny, nz]: Vec3,
) {
  doubts.add(depthSlot, nz);
  doubts.add(placeXSlot, nx);
  doubts.add(placeYSlot, ny);
}

function askBody(view: View, gaps: Gaps, each: ObstacleShape, asked: number, tag: number): void {
  if (each.rod) {
    rodGap(gap, view.body, each.rod);
    const { doubts } = view;
    doubts.add(each.depthSlot, gap.nz);
    doubts.add(each.placeXSlot, gap.nx);
    doubts.add(each.placeYSlot, gap.ny);
    addBody(view, gap.reach, gap.nz);
    const { gapMm, nx, ny } = gap;
    if (gapMm < asked) addAsides(view, each, gapMm, [nx, ny]);
    gaps.offer(gapMm - asked, tag);
    return;
  }
  const found = boxObstacleGap(view, each.solid);
  addObstacle(view, each, found.direction);
  addBody(view, found.reach, found.direction[2]);
  if (found.gapMm < asked) addAsides(view, each, found.gapMm, found.direction);
  gaps.offer(found.gapMm - asked, tag);
}

/**
 * What hits where it was noted may stand aside: a beam behind the middle of a magnet gives nothing when it moves by a
 * little, and all of its room when it moves by what nobody knows. The line at the noted place knows nothing of that.
 */
function addAsides(view: View, each: ObstacleShape, gapMm: number, slopes: readonly number[]): void {
  const slots = [each.placeXSlot, each.placeYSlot];
  slots.forEach((slot, axis) => {
    const own = slopes[axis] as number;
    let steepest = own;
    for (const aside of each.asides) {
      if (aside.axis !== axis) continue;
      const slope = (gapTo(view, aside) - gapMm) / aside.byMm;
      // Only what gives room: away from where it stands, and more than the line says.
      if (slope * aside.byMm > 0 && Math.abs(slope) > Math.abs(steepest)) steepest = slope;
    }
    view.doubts.add(slot, steepest - own);
  });
}

function gapTo(view: View, { rod, solid }: Aside): number {
  if (!rod) return boxObstacleGap(view, solid).gapMm;
  rodGap(gap, view.body, rod);
  return gap.gapMm;
}

/** The least over the body's convex pieces. */
function boxObstacleGap({ body }: View, other: ConvexSolid): Found {
  const reach = newReach();
  let best: Found | null = null;
  for (let at = 0; at < body.pieces.length; at += 2) {
    const from = body.pieces[at] as number;
    const to = body.pieces[at + 1] as number;
    const { distanceMm, direction, onFirst, onSecond } = convexDistance(pieceSolid(body, from, to), other);
    if (best && distanceMm >= best.gapMm) continue;
    body.reach(reach, from, to, ...direction);
    best = { gapMm: distanceMm, direction, onPart: onFirst, onOther: onSecond, reach: { ...reach } };
  }
  if (!best) throw new Error('obstacles: expected a body of at least one piece');
  return best;
}

function obstacleWords(view: View, { tag, valueMm, ownVerdict }: Gaps, rules: FitRules, unit: LengthUnit): Told {
  const each = view.opening.obstacles[Math.floor(tag / PARTS)];
  if (!each) throw new Error('obstacles: expected the obstacle that decides');
  const box = tag % PARTS === 0 ? null : (view.boxes[(tag % PARTS) - 1] ?? null);
  const asked = obstacleClearanceMm(each.obstacle, rules);
  const { onPart, onOther } = box ? boxPoints(box.solid, each.solid) : bodyPoints(view, each);
  const { label } = each.obstacle;
  const part = box?.label ?? 'body';
  const gapMm = valueMm + asked;
  const isSoft = each.obstacle.kind === 'soft';
  const room = isSoft ? `it gives ${printLength(-asked, unit)}` : `the shop asks ${printLength(asked, unit)}`;
  const close = ownVerdict === 'measure' ? ', too close to call' : '';
  const into = isSoft && valueMm >= 0 ? 'presses' : 'would stand';
  return {
    sentence:
      gapMm < 0
        ? `The ${part} ${into} ${printLength(-gapMm, unit)} into the ${label}; ${room}${isSoft ? close : ' of air'}.`
        : `The ${part} stays ${printLength(gapMm, unit)} off the ${label}; ${room}${close}.`,
    nearest: { onPart, onOther, askedMm: Math.max(0, asked) },
  };
}

function bodyPoints(view: View, { rod, solid }: ObstacleShape): Pick<Found, 'onPart' | 'onOther'> {
  if (!rod) return boxObstacleGap(view, solid);
  rodGap(gap, view.body, rod);
  const { onBody, onOther } = closestPoints(gap);
  return { onPart: onBody, onOther };
}

function boxPoints(box: ConvexSolid, other: ConvexSolid): Pick<Found, 'onPart' | 'onOther'> {
  const { onFirst, onSecond } = convexDistance(box, other);
  return { onPart: onFirst, onOther: onSecond };
}
