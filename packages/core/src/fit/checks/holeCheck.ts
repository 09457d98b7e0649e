/**
 * Passes the hole: every section of the body that ends up behind a plate goes through that plate on the straight way in,
 * and the section that stays in its plane sits in it. The hole in the vehicle is asked the shop's clearance; bought parts
 * are made to measure and are asked none.
 *
 * When only what sticks out of the side (a terminal, a plug) is in the way, and by little, tilting the speaker in may do.
 * That is said and stays an open question: nobody has tried it.
 */

import type { Outline } from '../../geometry/Outline';
import { outlineLengths, outlineMm } from '../../geometry/Outline';
import { type EllipseMm, outlineRoom } from '../../geometry/outlineRoom';
import type { Pose } from '../../geometry/PlacedBody';
import type { Dimension } from '../../uncertainty/Dimension';
import { chained, type Quantity, quantity, scaled, sumOf } from '../../uncertainty/Quantity';
import type { LengthUnit } from '../../units/parseLength';
import { printLength } from '../../units/printLength';
import { type Check, factCheck, type GapOption, missingCheck, type OpeningDimensionKey, worstGapCheck } from '../Check';
import { bracketPrefix } from '../dimensionNames';
import { bracketPlaces, type Mount } from '../mount';
import type { Candidate, FitOpening, FitRules } from '../shapes';
import { type Body, type BodyRing, speakerBody } from '../speakerBody';
import { raised } from '../stack';

type Passage = {
  readonly word: string;
  /** Start of its dimensions' names. */
  readonly prefix: string;
  readonly outline: Outline;
  readonly askedMm: number;
  /** Its own centre on the face, mm. */
  readonly xMm: number;
  readonly yMm: number;
  readonly angleRad: number;
  /** Depth below the flange's underside at which its front face lies. */
  readonly depth: Quantity;
  /** z of that face in the opening's frame, for the drawing. */
  readonly zMm: number;
};

/** A terminal that stands this much too far out may still be tilted past the edge (common practice, no source). */
export const TILT_MOST_MM = 12;

const NO_DEPTH: Quantity = { valueMm: 0, terms: [] };

export function holeCheck(
  opening: FitOpening,
  candidate: Candidate,
  mount: Mount,
  rules: FitRules,
  unit: LengthUnit,
): Check {
  const hole = measured(opening.hole);
  if (!hole) {
    return missingCheck(
      'hole',
      missingOf(opening.hole),
      'The hole has not been measured, so nobody knows whether the basket enters.',
    );
  }
  const body = speakerBody(candidate.speaker);
  const passages = passagesOf(hole, candidate, mount, rules);
  const options = passages.flatMap((passage) =>
    sectionsBehind(body, passage.depth).map((section) => toOption(passage, section, mount.pose, unit)),
  );
  if (opening.recess) options.push(recessOption(opening.recess, candidate, unit));
  if (options.length === 0) {
    return factCheck('hole', 'clears', 'The stack is higher than the body is deep: nothing has to pass the hole.');
  }
  const check = worstGapCheck('hole', options, rules.confidence);
  if (check.verdict !== 'clears') return check;
  const missedMm = terminalShortfallMm(passages, candidate, mount.pose);
  if (missedMm <= 0) return check;
  const sentence = `The body passes, but a terminal stands ${printLength(missedMm, unit)} too far out on the straight way in.`;
  return missedMm <= TILT_MOST_MM
    ? factCheck('hole', 'measure', `${sentence} Tilting it in may do; that is not proven, so try it by hand.`)
    : factCheck('hole', 'hold', `${sentence} That is too much to tilt past.`);
}

/** What the body goes through, from the metal to the flange. */
function passagesOf(
  hole: Outline,
  candidate: Candidate,
  { joints }: Mount,
  { clearancesMm }: FitRules,
): readonly Passage[] {
  const { brackets, spacer } = candidate;
  const all = raised(candidate);
  const centred = { xMm: 0, yMm: 0, angleRad: 0 };
  const passages: Passage[] = [
    {
      word: 'hole',
      prefix: 'opening.hole',
      outline: hole,
      askedMm: clearancesMm.hole,
      ...centred,
      depth: all,
      zMm: 0,
    },
  ];
  let height: Quantity = NO_DEPTH;
  if (spacer) {
    height = raised({ brackets: [], spacer });
    if (!spacer.made)
      passages.push({
        word: 'spacer',
        prefix: 'spacer.inner',
        outline: spacer.inner,
        askedMm: 0,
        ...centred,
        depth: sumOf(all, scaled(height, -1)),
        zMm: -height.valueMm,
      });
  }
  const places = bracketPlaces(brackets, joints);
  brackets.forEach((bracket, index) => {
    height = raised({ brackets: brackets.slice(0, index + 1), spacer });
    passages.push({
      word: index === 0 ? "bracket's throat" : "second bracket's throat",
      prefix: `${bracketPrefix(index)}throat`,
      outline: bracket.throat,
      askedMm: 0,
      ...(places[index] ?? centred),
      depth: sumOf(all, scaled(height, -1)),
      zMm: -height.valueMm,
    });
  });
  return passages;
}

/** The section in the plane of a plate, between its neighbours, and every ring behind it that is wide enough to be tight. */
function sectionsBehind({ rings, isWide }: Body, depth: Quantity): readonly BodyRing[] {
  const after = rings.findIndex((ring) => ring.depth.valueMm > depth.valueMm);
  if (after < 0) return [];
  const behind = rings.filter((_, at) => at >= after && isWide[at] === 1);
  const before = rings[after - 1];
  const next = rings[after];
  return before && next ? [sectionBetween(before, next, depth), ...behind] : behind;
}

/** The section at a depth between two rings, linear between them, with what it depends on. */
function sectionBetween(before: BodyRing, next: BodyRing, depth: Quantity): BodyRing {
  const span = next.depth.valueMm - before.depth.valueMm;
  const share = (depth.valueMm - before.depth.valueMm) / span;
  const at = (from: Quantity, to: Quantity): Quantity => {
    const steepness = (to.valueMm - from.valueMm) / span;
    return quantity(
      from.valueMm + share * (to.valueMm - from.valueMm),
      chained([
        [from, 1 - share],
        [to, share],
        [depth, steepness],
        [before.depth, -steepness * (1 - share)],
        [next.depth, -steepness * share],
      ]),
    );
  };
  return { depth, halfLength: at(before.halfLength, next.halfLength), halfWidth: at(before.halfWidth, next.halfWidth) };
}

function toOption(passage: Passage, section: BodyRing, pose: Pose, unit: LengthUnit): GapOption {
  const { outline, prefix, askedMm, word, zMm } = passage;
  const mm = outlineMm(outline);
  if (!mm) throw new Error('holeCheck: expected a measured outline');
  const ellipse = ellipseIn(passage, section, pose);
  const room = outlineRoom(mm, ellipse);
  const lengths = outlineLengths(outline);
  const value = quantity(room.roomMm - askedMm, [
    ...lengths.map(([ending, dimension], index) => ({
      name: `${prefix}${ending}`,
      dimension,
      sensitivity: room.outer[index] ?? 0,
    })),
    ...chained([
      [section.halfLength, room.innerAlong],
      [section.halfWidth, room.innerAcross],
    ]),
  ]);
  // Directions were found in the passage's own frame.
  const cos = Math.cos(passage.angleRad);
  const sin = Math.sin(passage.angleRad);
  const n = [room.nx * cos - room.ny * sin, room.nx * sin + room.ny * cos] as const;
  const edge = edgePoint(section, pose, n);
  return {
    quantity: value,
    nearest: {
      onPart: [edge[0], edge[1], zMm],
      onOther: [edge[0] + room.roomMm * n[0], edge[1] + room.roomMm * n[1], zMm],
      askedMm,
    },
    sentence: ({ valueMm }, verdict) => {
      const left = valueMm + askedMm;
      const size = printLength(Math.abs(left), unit);
      if (left < 0) return `The basket is wider than the ${word} by ${size} on one side.`;
      const asked = askedMm > 0 ? `; the shop asks ${printLength(askedMm, unit)}` : '';
      return `The basket passes the ${word} with ${size} at the tightest${asked}${verdict === 'measure' ? ', which is too close to call' : ''}.`;
    },
  };
}

function ellipseIn({ xMm, yMm, angleRad }: Passage, section: BodyRing, pose: Pose): EllipseMm {
  const cos = Math.cos(angleRad);
  const sin = Math.sin(angleRad);
  const dx = pose.xMm - xMm;
  const dy = pose.yMm - yMm;
  const turn = pose.angleRad - angleRad;
  return {
    xMm: dx * cos + dy * sin,
    yMm: dy * cos - dx * sin,
    halfLengthMm: section.halfLength.valueMm,
    halfWidthMm: section.halfWidth.valueMm,
    angleRad: Math.abs(Math.sin(turn)) < 1e-12 ? 0 : turn,
  };
}

function edgePoint(section: BodyRing, pose: Pose, [nx, ny]: readonly [number, number]): readonly [number, number] {
  const cos = Math.cos(pose.angleRad);
  const sin = Math.sin(pose.angleRad);
  const u = nx * cos + ny * sin;
  const v = ny * cos - nx * sin;
  const a = section.halfLength.valueMm;
  const b = section.halfWidth.valueMm;
  const radial = Math.hypot(a * u, b * v) || 1;
  const along = (a * a * u) / radial;
  const across = (b * b * v) / radial;
  return [pose.xMm + along * cos - across * sin, pose.yMm + along * sin + across * cos];
}

/** Plate or flange must go into the recess when the stack begins in it. */
function recessOption(
  recess: NonNullable<FitOpening['recess']>,
  { speaker, brackets }: Candidate,
  unit: LengthUnit,
): GapOption {
  const plate = brackets[0]?.plate ?? speaker.flange;
  const mm = outlineMm(recess.outline);
  if (!mm) throw new Error('holeCheck: expected a measured recess');
  const size = plate.kind === 'circle' ? [plate.diameter, plate.diameter] : [plate.length, plate.width];
  const room = outlineRoom(mm, {
    xMm: 0,
    yMm: 0,
    halfLengthMm: (size[0]?.valueMm ?? 0) / 2,
    halfWidthMm: (size[1]?.valueMm ?? 0) / 2,
    angleRad: 0,
  });
  const plateName = brackets[0] ? `${bracketPrefix(0)}plate` : 'speaker.flange';
  const [along, across] = [room.innerAlong / 2, room.innerAcross / 2];
  // A round plate grows both ways at once.
  const ofPlate = plate.kind === 'circle' ? [along + across] : [along, across];
  const terms = [
    ...outlineLengths(recess.outline).map(([ending, dimension], index) => ({
      name: `opening.recess${ending}`,
      dimension,
      sensitivity: room.outer[index] ?? 0,
    })),
    ...outlineLengths(plate).map(([ending, dimension], index) => ({
      name: `${plateName}${ending}`,
      dimension,
      sensitivity: ofPlate[index] ?? 0,
    })),
  ];
  return {
    quantity: quantity(room.roomMm, terms),
    nearest: null,
    sentence: ({ valueMm }) =>
      valueMm < 0
        ? `The plate is wider than the recess by ${printLength(-valueMm, unit)} on one side.`
        : `The plate sits in the recess with ${printLength(valueMm, unit)} at the tightest.`,
  };
}

/** By how much the outermost terminal corner misses the tightest passage on the straight way in; at most 0 where none does. */
function terminalShortfallMm(passages: readonly Passage[], { speaker }: Candidate, pose: Pose): number {
  let worst = 0;
  for (const { angleRad, outerMm, widthMm, toMm } of speaker.boxes) {
    for (const passage of passages) {
      if (toMm <= passage.depth.valueMm) continue;
      const mm = outlineMm(passage.outline);
      if (!mm) continue;
      for (const side of [-1, 1]) {
        const corner = boxCorner(pose, angleRad, outerMm, (side * widthMm) / 2);
        const room = outlineRoom(mm, {
          ...toPassage(passage, corner),
          halfLengthMm: 0,
          halfWidthMm: 0,
          angleRad: 0,
        });
        worst = Math.max(worst, -room.roomMm);
      }
    }
  }
  return worst;
}

/** A place of the speaker's own face in the opening's frame. */
export function boxCorner(pose: Pose, angleRad: number, outMm: number, sideMm: number): readonly [number, number] {
  const direction = pose.angleRad + angleRad;
  const cos = Math.cos(direction);
  const sin = Math.sin(direction);
  return [pose.xMm + outMm * cos - sideMm * sin, pose.yMm + outMm * sin + sideMm * cos];
}

function toPassage({ xMm, yMm, angleRad }: Passage, [x, y]: readonly [number, number]) {
  const cos = Math.cos(angleRad);
  const sin = Math.sin(angleRad);
  return { xMm: (x - xMm) * cos + (y - yMm) * sin, yMm: (y - yMm) * cos - (x - xMm) * sin };
}

export function measured(outline: Outline<Dimension | null>): Outline | null {
  return outlineLengths(outline).every(([, length]) => length !== null) ? (outline as Outline) : null;
}

function missingOf(outline: Outline<Dimension | null>): readonly OpeningDimensionKey[] {
  return outlineLengths(outline).flatMap(([ending, length]) =>
    length || ending === 'EdgeOffset' ? [] : [`hole${ending}` as OpeningDimensionKey],
  );
}
