/**
 * Live terminals against metal, with everything tightened down: a short here switches a channel off. Metal is the edge of
 * a steel or aluminium hole, a second skin, and every metal thing behind the hole.
 *
 * A terminal is a box upright on the wall and the wall a plate with a hole, so their distance is the Pythagorean sum of
 * the distance in the plane (box's sides to the hole's edge) and of that along the depth.
 */
import { convexDistance, rectangleRoom } from '../../../geometry';
import type { LengthUnit } from '../../../units';
import { printLength } from '../../../units';
import { boxSheetGap, type PlacedBox } from '../../layout/bodyBoxes';
import type { ObstacleShape } from '../../layout/OpeningShape';
import { addOutline } from '../../layout/plates';
import { SPEAKER } from '../../layout/slots';
import type { View } from '../../layout/View';
import type { FitOpening, FitRules } from '../../shapes';
import { addBox } from '../bodyTerms';
import type { CheckKind, Told } from '../CheckKind';
import type { Gaps } from '../Gaps';
import { behindWord } from './depth';
import { addObstacle } from './obstacles';

/** Tags: a box, and the edge, what stands behind, or an obstacle. */
const OTHERS = 32;
const EDGE = 0;
const BEHIND = 1;
const FIRST_OBSTACLE = 2;
const NOT_PLACED = 1000;
const NO_METAL = 1001;

export const terminals: CheckKind = {
  askedAt: 13,
  mostSides: 2,
  dependsOnTurn: () => true,
  setsHeight: 'least',
  ask(view, gaps, { clearancesMm }) {
    const { boxes, opening } = view;
    const asked = clearancesMm.terminal;
    let live = 0;
    for (let at = 0; at < boxes.length; at++) {
      const box = boxes[at] as PlacedBox;
      if (!box.live) continue;
      live++;
      const tag = at * OTHERS;
      askEdge(view, gaps, box, asked, tag + EDGE);
      if (opening.opening.behind === 'metal' && opening.sheet) {
        const { gapMm, direction, onOther } = boxSheetGap(box, opening.sheet);
        opening.addSheet(view.doubts, onOther[0], onOther[1], direction[2]);
        addBox(view, direction[2]);
        gaps.offer(gapMm - asked, tag + BEHIND);
      }
      opening.obstacles.forEach((each, obstacle) => {
        if (!isMetal(each)) return;
        const { distanceMm, direction } = convexDistance(box.solid, each.solid);
        addObstacle(view, each, direction);
        addBox(view, direction[2]);
        gaps.offer(distanceMm - asked, tag + FIRST_OBSTACLE + obstacle);
      });
    }
    if (live === 0) gaps.notLooked('arrival', NOT_PLACED);
    else if (!gaps.hasMargin) gaps.fact('clears', NO_METAL);
    if (live > 0 && gaps.verdict === 'clears' && isPlugUnknown(view)) gaps.notLookedFurther('arrival');
  },
  tell(view, gaps, rules, unit) {
    if (gaps.tag === NOT_PLACED)
      return {
        sentence:
          'The catalogue does not say where the terminals sit: look when the speaker is here, and before the last screw.',
        nearest: null,
      };
    const told =
      gaps.tag === NO_METAL
        ? { sentence: 'No metal is noted near the terminals.', nearest: null }
        : words(view, gaps, rules, unit);
    return gaps.isJudged ? told : { ...told, sentence: `${told.sentence} ${PLUG_WORDS}` };
  },
};

const PLUG_WORDS =
  'How far the plug stands out beyond them, and how its wires bend, the catalogue does not say: look when it is on.';

/** What leads to the terminals is known, but not how far it stands out. */
function isPlugUnknown(view: View): boolean {
  return view.harness !== null && view.harness.length > 0 && view.plugMm === null;
}

function isMetal({ obstacle }: ObstacleShape): boolean {
  return obstacle.kind !== 'wiring' && obstacle.kind !== 'soft';
}

function isMetalWall({ material }: FitOpening): boolean {
  return material === 'sheetSteel' || material === 'aluminium';
}

type EdgeGap = {
  readonly gapMm: number;
  /** How far the box lies beyond the wall along the depth, and aside of its edge, mm; negative where it does not. */
  readonly beyondMm: number;
  readonly room: ReturnType<typeof rectangleRoom>;
  /** What of the gap follows the distance in the plane, and along the depth. */
  readonly asideShare: number;
  readonly depthShare: number;
};

function edgeGap(view: View, { box, rectangle }: PlacedBox): EdgeGap | null {
  const { hole, opening } = view.opening;
  if (!hole || !isMetalWall(opening)) return null;
  const room = rectangleRoom(hole.outline, view.opening.holePlace, rectangle);
  const halfDepth = box.halfSizeMm[2];
  const beyondMm = Math.max(box.middle[2] - halfDepth - opening.wallMm, -(box.middle[2] + halfDepth));
  const asideMm = room.roomMm;
  const apart = Math.hypot(Math.max(0, beyondMm), Math.max(0, asideMm));
  if (apart > 0) {
    const asideShare = Math.max(0, asideMm) / apart;
    return { gapMm: apart, beyondMm, room, asideShare, depthShare: Math.max(0, beyondMm) / apart };
  }
  const asideShare = asideMm >= beyondMm ? 1 : 0;
  return { gapMm: Math.max(beyondMm, asideMm), beyondMm, room, asideShare, depthShare: 1 - asideShare };
}

function askEdge(view: View, gaps: Gaps, box: PlacedBox, asked: number, tag: number): void {
  const found = edgeGap(view, box);
  const { hole } = view.opening;
  if (!found || !hole) return;
  addOutline(view, hole.firstSlot, found.room.outer, found.asideShare);
  // A stack that is higher takes a terminal behind the wall nearer to it, and one in front of it farther away.
  view.addHeights(found.depthShare * (box.box.middle[2] > 0 ? -1 : 1));
  view.doubts.add(SPEAKER.boxes, -1);
  gaps.offer(found.gapMm - asked, tag);
}

function words(view: View, { tag, valueMm }: Gaps, { clearancesMm }: FitRules, unit: LengthUnit): Told {
  const box = view.boxes[Math.floor(tag / OTHERS)];
  if (!box) throw new Error('terminals: expected the box that decides');
  const asked = clearancesMm.terminal;
  const gapMm = valueMm + asked;
  const { what, onPart, onOther } = whatIsNear(view, box, tag % OTHERS);
  return {
    sentence:
      gapMm <= 0
        ? `The ${box.label} would touch ${what} when tightened down: that shorts the channel.`
        : `The ${box.label} stays ${printLength(gapMm, unit)} off ${what}; the shop asks ${printLength(asked, unit)}.`,
    nearest: { onPart, onOther, askedMm: asked },
  };
}

function whatIsNear(view: View, box: PlacedBox, other: number) {
  const { opening } = view;
  if (other === BEHIND && opening.sheet) {
    const { onBox, onOther } = boxSheetGap(box, opening.sheet);
    return { what: behindWord(opening.opening), onPart: onBox, onOther };
  }
  const obstacle = opening.obstacles[other - FIRST_OBSTACLE];
  if (obstacle) {
    const { onFirst, onSecond } = convexDistance(box.solid, obstacle.solid);
    return { what: `the ${obstacle.obstacle.label}`, onPart: onFirst, onOther: onSecond };
  }
  const found = edgeGap(view, box);
  if (!found) throw new Error('terminals: expected the edge of the hole');
  const { xMm, yMm, nx, ny, roomMm } = found.room;
  const halfDepth = box.box.halfSizeMm[2];
  const z = Math.min(Math.max(0, box.box.middle[2] - halfDepth), opening.opening.wallMm);
  const partZ = Math.max(box.box.middle[2] - halfDepth, Math.min(box.box.middle[2] + halfDepth, z));
  return {
    what: 'the edge of the hole',
    onPart: [xMm, yMm, partZ] as const,
    onOther: [xMm + roomMm * nx, yMm + roomMm * ny, z] as const,
  };
}
