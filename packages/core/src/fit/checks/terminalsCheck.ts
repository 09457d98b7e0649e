/**
 * Live terminals against metal, with everything tightened down: a short here switches a channel off. Metal is the edge of
 * a steel or aluminium hole and every metal thing behind it.
 *
 * A terminal is a box upright on the wall and the wall a plate with a hole, so their distance is the Pythagorean sum of
 * the distance in the plane (box's face to the hole's edge) and of that along the depth.
 */
import { convexDistance } from '../../geometry/convexDistance';
import { outlineLengths, outlineMm } from '../../geometry/Outline';
import { outlineRoom } from '../../geometry/outlineRoom';
import { chained, quantity } from '../../uncertainty/Quantity';
import type { LengthUnit } from '../../units/parseLength';
import { printLength } from '../../units/printLength';
import { type PlacedBox, placedBoxes } from '../bodyBoxes';
import { type Check, factCheck, type GapOption, unjudgedCheck, worstGapCheck } from '../Check';
import type { Mount } from '../mount';
import type { Candidate, FitOpening, FitRules } from '../shapes';
import { raised } from '../stack';
import { measured } from './holeCheck';
import { obstacleSolid } from './obstaclesCheck';

export function terminalsCheck(
  opening: FitOpening,
  candidate: Candidate,
  mount: Mount,
  rules: FitRules,
  unit: LengthUnit,
): Check {
  const live = placedBoxes(candidate.speaker, mount.pose).filter((box) => box.live);
  if (live.length === 0) {
    return unjudgedCheck(
      'terminals',
      'The catalogue does not say where the terminals sit. Look before the last screw.',
    );
  }
  const options = live.flatMap((box) => [
    ...edgeOptions(opening, candidate, box, rules, unit),
    ...metalOptions(opening, candidate, box, rules, unit),
  ]);
  if (options.length === 0) return factCheck('terminals', 'clears', 'There is no metal near the terminals.');
  return worstGapCheck('terminals', options, rules.confidence);
}

function edgeOptions(
  opening: FitOpening,
  candidate: Candidate,
  { box, corners, label }: PlacedBox,
  { clearancesMm }: FitRules,
  unit: LengthUnit,
): readonly GapOption[] {
  const hole = measured(opening.hole);
  const mm = hole && outlineMm(hole);
  if (!hole || !mm || opening.material === 'plastic' || opening.material === 'board') return [];
  const rooms = corners.slice(0, 8).map(([x, y]) => ({
    x,
    y,
    room: outlineRoom(mm, { xMm: x, yMm: y, halfLengthMm: 0, halfWidthMm: 0, angleRad: 0 }),
  }));
  const tight = rooms.reduce((least, each) => (each.room.roomMm < least.room.roomMm ? each : least));
  const halfDepth = box.halfSizeMm[2];
  const beyond = Math.max(box.middle[2] - halfDepth - opening.wallMm, -(box.middle[2] + halfDepth));
  const aside = tight.room.roomMm;
  const apart = Math.hypot(Math.max(0, beyond), Math.max(0, aside));
  const isApart = beyond > 0 || aside > 0;
  const gapMm = isApart ? apart : Math.max(beyond, aside);
  const share = isApart && apart > 0 ? Math.max(0, aside) / apart : aside >= beyond ? 1 : 0;
  const depthShare = isApart && apart > 0 ? Math.max(0, beyond) / apart : 1 - share;
  const asked = clearancesMm.terminal;
  const inwards = box.middle[2] > 0 ? -1 : 1;
  const terms = [
    ...outlineLengths(hole).map(([ending, dimension], index) => ({
      name: `opening.hole${ending}`,
      dimension,
      sensitivity: share * (tight.room.outer[index] ?? 0),
    })),
    ...chained([[raised(candidate), depthShare * inwards]]),
  ];
  const z = Math.min(Math.max(0, box.middle[2] - halfDepth), opening.wallMm);
  return [
    {
      quantity: quantity(gapMm - asked, terms),
      nearest: {
        onPart: [tight.x, tight.y, Math.max(box.middle[2] - halfDepth, Math.min(box.middle[2] + halfDepth, z))],
        onOther: [tight.x + aside * tight.room.nx, tight.y + aside * tight.room.ny, z],
        askedMm: asked,
      },
      sentence: ({ valueMm }) => terminalSentence(label, valueMm + asked, asked, 'the edge of the hole', unit),
    },
  ];
}

function metalOptions(
  opening: FitOpening,
  candidate: Candidate,
  { solid, label }: PlacedBox,
  { clearancesMm }: FitRules,
  unit: LengthUnit,
): readonly GapOption[] {
  const asked = clearancesMm.terminal;
  return opening.obstacles
    .filter(({ kind }) => kind !== 'wiring')
    .map((obstacle): GapOption => {
      const { distanceMm, direction, onFirst, onSecond } = convexDistance(solid, obstacleSolid(obstacle));
      return {
        quantity: quantity(distanceMm - asked, [
          { name: `opening.obstacle.${obstacle.id}.depth`, dimension: obstacle.depth, sensitivity: direction[2] },
          {
            name: `opening.obstacle.${obstacle.id}.place`,
            dimension: obstacle.place,
            sensitivity: Math.hypot(direction[0], direction[1]),
          },
          ...chained([[raised(candidate), direction[2]]]),
        ]),
        nearest: { onPart: onFirst, onOther: onSecond, askedMm: asked },
        sentence: ({ valueMm }) => terminalSentence(label, valueMm + asked, asked, `the ${obstacle.label}`, unit),
      };
    });
}

function terminalSentence(label: string, gapMm: number, askedMm: number, metal: string, unit: LengthUnit): string {
  const asked = `the shop asks ${printLength(askedMm, unit)}`;
  return gapMm <= 0
    ? `The ${label} would touch ${metal} when tightened down: that shorts the channel.`
    : `The ${label} stays ${printLength(gapMm, unit)} off ${metal}; ${asked}.`;
}
