/**
 * Passes the hole: every section of the body that ends up behind a plate goes through that plate on the straight way in,
 * and the section that stays in its plane sits in it, whatever stands in front of it. The hole in the vehicle is asked the
 * shop's clearance; bought parts are made to measure and are asked none.
 *
 * A seat or a housing behind the hole is one more plate in its plane; what of the terminals comes to lie in it must fit into it as well.
 *
 * When only what sticks out of the side (a terminal, a plug) is in the way, and by little, tilting the speaker in may do.
 * That is said and stays an open question: nobody has tried it.
 */

import type { OutlineRoom } from '../../../geometry';
import { outlineLengths, rectangleRoom } from '../../../geometry';
import { wholeUncertaintyMm } from '../../../uncertainty';
import type { LengthUnit } from '../../../units';
import { printLength } from '../../../units';
import type { Nearest, OpeningDimensionKey } from '../../Check';
import type { PlacedBox } from '../../layout/bodyBoxes';
import { outsideOf } from '../../layout/LayerShape';
import {
  addInside,
  addOutline,
  addPlateDepth,
  BORE,
  fromPlate,
  METAL,
  type PassedPlate,
  passedPlate,
  roomIn,
} from '../../layout/plates';
import { LAYER, layerAt, SPEAKER } from '../../layout/slots';
import type { View } from '../../layout/View';
import type { LayerPlace } from '../../mates/placements';
import type { FitOpening, FitRules } from '../../shapes';
import type { CheckKind, Told } from '../CheckKind';
import type { Gaps } from '../Gaps';

/** A terminal that stands this much too far out may still be tilted past the edge (common practice, no source). */
export const TILT_MOST_MM = 12;

/** Tags: a plate and a section of the body, of which the last stands for the one in the plate's plane. */
const SECTIONS = 64;
const IN_PLANE = SECTIONS - 1;
/** A layer, or the flange, in the recess. */
const RECESS = 16 * SECTIONS;
/** A box in the bore. */
const IN_BORE = 24 * SECTIONS;
const NOTHING_PASSES = 32 * SECTIONS;
const MISSING = NOTHING_PASSES + 1;
const TERMINAL_TILTS = NOTHING_PASSES + 2;
const TERMINAL_STUCK = NOTHING_PASSES + 3;

export const hole: CheckKind = {
  askedAt: 9,
  mostSides: 1,
  dependsOnTurn: () => true,
  setsHeight: 'least',
  ask(view, gaps, rules) {
    if (!view.opening.hole) {
      gaps.missing(MISSING);
      return;
    }
    for (let layer = METAL; layer < view.layers.length; layer++) {
      const plate = passedPlate(view, layer);
      if (plate) askPlate(view, gaps, plate, askedMm(layer, rules));
    }
    askBore(view, gaps, rules);
    askRecess(view, gaps);
    if (!gaps.hasMargin) gaps.fact('clears', NOTHING_PASSES);
    if (gaps.verdict !== 'clears') return;
    const missedMm = terminalShortfallMm(view);
    if (missedMm > TILT_MOST_MM) gaps.fact('hold', TERMINAL_STUCK);
    else if (missedMm > 0) gaps.fact('measure', TERMINAL_TILTS);
  },
  tell(view, gaps, rules, unit) {
    const { tag } = gaps;
    if (tag === MISSING)
      return {
        sentence: 'The hole has not been measured, so nobody knows whether the basket enters.',
        nearest: null,
        missing: missingOf(view.opening.opening.hole),
      };
    if (tag === NOTHING_PASSES)
      return {
        sentence: 'The stack is higher than the body is deep: nothing has to pass the hole.',
        nearest: null,
      };
    if (tag >= TERMINAL_TILTS) return terminalWords(view, tag, unit);
    if (tag >= IN_BORE) return boreWords(view, gaps, rules, unit);
    if (tag >= RECESS) return recessWords(view, gaps, unit);
    return sectionWords(view, gaps, rules, unit);
  },
};

/** Whether what decides is a section in the hole of the metal itself. */
export function isInMetal({ tag }: Gaps): boolean {
  return tag < SECTIONS;
}

function askedMm(layer: number, { clearancesMm }: FitRules): number {
  return layer === METAL || layer === BORE ? clearancesMm.hole : 0;
}

/** The body passes the bore, and what of its terminals comes to lie in it has room there. */
function askBore(view: View, gaps: Gaps, rules: FitRules): void {
  const plate = passedPlate(view, BORE);
  if (!plate) return;
  const asked = askedMm(BORE, rules);
  askPlate(view, gaps, plate, asked);
  view.boxes.forEach((box, at) => {
    if (!isInBore(view, box)) return;
    const room = rectangleRoom(plate.outline, plate.place, box.rectangle);
    addOutline(view, plate.firstSlot, room.outer);
    view.doubts.add(SPEAKER.boxes, -1);
    gaps.offer(room.roomMm - asked, IN_BORE + at);
  });
}

/** Whether any of a box may lie behind the plane of the hole and before the end of the bore. */
function isInBore({ opening }: View, { box }: PlacedBox): boolean {
  const { bore } = opening.opening;
  if (!bore) return false;
  const [, , middleMm] = box.middle;
  const halfMm = box.halfSizeMm[2];
  const reachMm = bore.depth.valueMm + ROOT_3 * wholeUncertaintyMm(bore.depth);
  return middleMm - halfMm < reachMm && middleMm + halfMm > 0;
}

/** The section in the plane of a plate, between its neighbours, and every ring behind it. */
function askPlate(view: View, gaps: Gaps, plate: PassedPlate, asked: number): void {
  const { speaker, doubts, placement } = view;
  const { depthMm, outline, place, firstSlot } = plate;
  const count = speaker.ringCount;
  let after = 0;
  while (after < count && speaker.ringDepthMm(after) <= depthMm) after++;
  if (after === count) return;
  const tag = (plate.layer + 1) * SECTIONS;
  if (after > 0) {
    const section = sectionAt(view, plate, after);
    const room = roomIn(outline, place, placement.at, section.a, section.b);
    addOutline(view, firstSlot, room.outer);
    addSection(view, plate, after, section, room);
    if (room.roomMm < asked) addNarrowing(view, plate, section, room);
    gaps.offer(room.roomMm - asked, tag + IN_PLANE);
  }
  for (let ring = after; ring < count; ring++) {
    const [a, b] = [speaker.halfLengthMm(ring), speaker.halfWidthMm(ring)];
    const room = roomIn(outline, place, placement.at, a, b);
    addOutline(view, firstSlot, room.outer);
    speaker.addWidths(doubts, ring, room.innerAlong, room.innerAcross);
    if (room.roomMm < asked) addNarrowing(view, plate, { a, b, riseA: 0, riseB: 0 }, room);
    gaps.offer(room.roomMm - asked, tag + ring);
  }
}

type Section = {
  readonly a: number;
  readonly b: number;
  readonly share: number;
  /** Change of half length and half width with the depth, mm a mm. */
  readonly riseA: number;
  readonly riseB: number;
};

/** The section in a plate's plane, straight between the ring before it and that after it. */
function sectionAt({ speaker }: View, { depthMm }: PassedPlate, after: number): Section {
  const before = after - 1;
  const span = speaker.ringDepthMm(after) - speaker.ringDepthMm(before);
  const share = (depthMm - speaker.ringDepthMm(before)) / span;
  const growA = speaker.halfLengthMm(after) - speaker.halfLengthMm(before);
  const growB = speaker.halfWidthMm(after) - speaker.halfWidthMm(before);
  return {
    a: speaker.halfLengthMm(before) + share * growA,
    b: speaker.halfWidthMm(before) + share * growB,
    share,
    riseA: growA / span,
    riseB: growB / span,
  };
}

function addSection(
  view: View,
  plate: PassedPlate,
  after: number,
  { share, riseA, riseB }: Section,
  { innerAlong, innerAcross }: OutlineRoom,
): void {
  const { speaker, doubts } = view;
  const before = after - 1;
  speaker.addWidths(doubts, before, innerAlong * (1 - share), innerAcross * (1 - share));
  speaker.addWidths(doubts, after, innerAlong * share, innerAcross * share);
  const steep = innerAlong * riseA + innerAcross * riseB;
  if (steep === 0) return;
  addPlateDepth(view, plate, steep);
  speaker.addDepth(doubts, before, -steep * (1 - share));
  speaker.addDepth(doubts, after, -steep * share);
}

/**
 * Where a body is wide to about the plate's plane and narrow behind it, a shoulder that lies less deep than was taken lets it
 * through: what misses on the wide side of the edge misses by so much less, and the line at the wide side knows nothing of it.
 */
function addNarrowing(
  view: View,
  plate: PassedPlate,
  section: Omit<Section, 'share'>,
  { innerAlong, innerAcross }: OutlineRoom,
): void {
  const { speaker, doubts } = view;
  const reachMm = speaker.shoulderReachMm;
  if (reachMm === 0) return;
  const eased = { ...plate, depthMm: plate.depthMm + reachMm };
  const after = firstBehind(view, eased);
  if (after === speaker.ringCount) return;
  const { a, b } = sectionAt(view, eased, after);
  const gain = (innerAlong * (a - section.a) + innerAcross * (b - section.b)) / reachMm;
  const steep = innerAlong * section.riseA + innerAcross * section.riseB;
  if (gain > steep) doubts.add(SPEAKER.profile, steep - gain);
}

const ROOT_3 = Math.sqrt(3);

/** What begins below the step around the hole must go into it: each layer, and the flange. */
function askRecess(view: View, gaps: Gaps): void {
  const { opening, layers, belowMm, placement, speaker } = view;
  const { recess } = opening.opening;
  if (!recess || !opening.recess) return;
  for (let at = 0; at <= layers.length; at++) {
    if ((belowMm[at] as number) >= recess.depthMm) return;
    const layer = layers[at];
    if (layer?.isMade) continue;
    const outside = layer ? outsideOf(layer.layer) : speaker.speaker.flange;
    const firstSlot = layer ? layerAt(at) + LAYER.outerLength : SPEAKER.flangeLength;
    const place = layer ? view.placeOf(at) : placement.at;
    const [length, width] = sizesOf(outside);
    const room = roomIn(opening.recess.outline, ORIGIN, place, length / 2, width / 2);
    addOutline(view, opening.recess.firstSlot, room.outer);
    addInside(view, firstSlot, outside, room);
    gaps.offer(room.roomMm, RECESS + at);
  }
}

const ORIGIN: LayerPlace = { xMm: 0, yMm: 0, angleRad: 0 };

function sizesOf(outline: View['speaker']['speaker']['flange']): readonly [number, number] {
  return outline.kind === 'circle'
    ? [outline.diameter.valueMm, outline.diameter.valueMm]
    : [outline.length.valueMm, outline.width.valueMm];
}

/** By how much what sticks out misses the tightest plate on the straight way in, mm; at most 0 where nothing does. */
function terminalShortfallMm(view: View): number {
  let worst = 0;
  for (const { rectangle, toMm, isPluggedOn } of view.boxes) {
    if (isPluggedOn) continue;
    for (const layer of [BORE, METAL, ...view.layers.keys()]) {
      const plate = passedPlate(view, layer);
      if (!plate || toMm <= plate.depthMm) continue;
      worst = Math.max(worst, -rectangleRoom(plate.outline, plate.place, rectangle).roomMm);
    }
  }
  return worst;
}

function sectionWords(view: View, { tag, valueMm, verdict }: Gaps, rules: FitRules, unit: LengthUnit): Told {
  const layer = Math.floor(tag / SECTIONS) - 1;
  const ring = tag % SECTIONS;
  const plate = passedPlate(view, layer);
  if (!plate) throw new Error('hole: expected the plate that decides');
  const { speaker, placement } = view;
  const after = ring === IN_PLANE ? firstBehind(view, plate) : ring;
  const section = ring === IN_PLANE ? sectionAt(view, plate, after) : null;
  const [a, b] = [section?.a ?? speaker.halfLengthMm(ring), section?.b ?? speaker.halfWidthMm(ring)];
  const { nx, ny } = roomIn(plate.outline, plate.place, placement.at, a, b);
  const asked = askedMm(layer, rules);
  const left = valueMm + asked;
  const [dx, dy] = fromPlate(plate.place, nx, ny);
  const [x, y] = edgeOf(placement.at, a, b, dx, dy);
  const z = layer === METAL || layer === BORE ? 0 : -(view.belowMm[layer + 1] as number);
  const nearest: Nearest = { onPart: [x, y, z], onOther: [x + left * dx, y + left * dy, z], askedMm: asked };
  const part = isMagnet(view, after, ring) ? 'magnet' : 'basket';
  const word = plateWord(view, layer);
  const size = printLength(Math.abs(left), unit);
  if (left < 0) return { sentence: `The ${part} is wider than the ${word} by ${size} on one side.`, nearest };
  const room = asked > 0 ? `; the shop asks ${printLength(asked, unit)}` : '';
  const close = verdict === 'measure' ? ', which is too close to call' : '';
  return { sentence: `The ${part} passes the ${word} with ${size} at the tightest${room}${close}.`, nearest };
}

function firstBehind({ speaker }: View, { depthMm }: PassedPlate): number {
  let after = 0;
  while (after < speaker.ringCount && speaker.ringDepthMm(after) <= depthMm) after++;
  return after;
}

/** The last two rings are the magnet's, unless the section lies before them. */
function isMagnet({ speaker }: View, after: number, ring: number): boolean {
  return ring === IN_PLANE ? after === speaker.ringCount - 1 : ring >= speaker.ringCount - 2;
}

/** The layer as a word, with its number where there are two of a kind. */
export function plateWord({ layers }: View, layer: number): string {
  if (layer === METAL) return 'hole';
  if (layer === BORE) return 'bore behind the hole';
  const { kind } = (layers[layer] as View['layers'][number]).layer;
  const before = layers.slice(0, layer).filter((each) => each.layer.kind === kind).length;
  const word = kind === 'bracket' ? "bracket's throat" : 'spacer';
  return before === 0 ? word : `second ${word}`;
}

/** Where an ellipse is touched in a direction, mm. */
function edgeOf(
  { xMm, yMm, angleRad }: LayerPlace,
  a: number,
  b: number,
  nx: number,
  ny: number,
): readonly [number, number] {
  const cos = Math.cos(angleRad);
  const sin = Math.sin(angleRad);
  const u = nx * cos + ny * sin;
  const v = ny * cos - nx * sin;
  const radial = Math.hypot(a * u, b * v) || 1;
  const along = (a * a * u) / radial;
  const across = (b * b * v) / radial;
  return [xMm + along * cos - across * sin, yMm + along * sin + across * cos];
}

function recessWords(view: View, { tag, valueMm }: Gaps, unit: LengthUnit): Told {
  const layer = view.layers[tag - RECESS];
  const part = layer ? (layer.layer.kind === 'bracket' ? 'bracket' : 'spacer') : 'flange';
  return {
    sentence:
      valueMm < 0
        ? `The ${part} is wider than the recess by ${printLength(-valueMm, unit)} on one side.`
        : `The ${part} sits in the recess with ${printLength(valueMm, unit)} at the tightest.`,
    nearest: null,
  };
}

function boreWords(view: View, { tag, valueMm }: Gaps, rules: FitRules, unit: LengthUnit): Told {
  const { label } = view.boxes[tag - IN_BORE] as PlacedBox;
  const asked = askedMm(BORE, rules);
  const left = valueMm + asked;
  const size = printLength(Math.abs(left), unit);
  return {
    sentence:
      left < 0
        ? `The ${label} stands ${size} too far out for the bore behind the hole.`
        : `The ${label} has ${size} in the bore behind the hole; the shop asks ${printLength(asked, unit)}.`,
    nearest: null,
  };
}

function terminalWords(view: View, tag: number, unit: LengthUnit): Told {
  const missed = printLength(terminalShortfallMm(view), unit);
  const sentence = `The body passes, but a terminal stands ${missed} too far out on the straight way in.`;
  return {
    sentence:
      tag === TERMINAL_TILTS
        ? `${sentence} Tilting it in may do; that is not proven, so try it by hand.`
        : `${sentence} That is too much to tilt past.`,
    nearest: null,
  };
}

function missingOf(outline: FitOpening['hole']): readonly OpeningDimensionKey[] {
  return outlineLengths(outline).flatMap(([ending, length]) =>
    length || ending === 'EdgeOffset' ? [] : [`hole${ending}` as OpeningDimensionKey],
  );
}
