/**
 * Bolts line up: every joint of the stack at its turn, and every screw within the wall of each ring it goes through. Enough
 * of the screws must land; drilling new ones is a decision that is not taken here.
 */
import { ellipseDistance, outlineLengths } from '../../../geometry';
import type { LengthUnit } from '../../../units';
import { printLength } from '../../../units';
import type { LayerShape } from '../../layout/LayerShape';
import { addOutline, ellipseInPlate, fromPlate, roomIn } from '../../layout/plates';
import { LAYER, layerAt, SPEAKER } from '../../layout/slots';
import type { View } from '../../layout/View';
import type { Joint, JointTurn } from '../../mates/Joint';
import { PATTERN_LENGTHS } from '../../mates/Joint';
import type { LayerPlace } from '../../mates/placements';
import type { FitRules, FitSpacer } from '../../shapes';
import type { CheckKind, Told } from '../CheckKind';
import type { Gaps } from '../Gaps';
import { addMoves, lowerOf, onFace, screwSlot, screwsThrough } from '../screwPlaces';

/** Tags: a joint, counted from the vehicle, or the ring in a layer, with the side that is tight. */
const RING = 16;
const INSIDE = 0;
const OUTSIDE = 1;
const MISSING = 1000;
const NO_HOLES = 1001;

export const bolts: CheckKind = {
  askedAt: 7,
  mostSides: 2,
  dependsOnTurn: () => true,
  setsHeight: null,
  ask(view, gaps, rules) {
    const { bolts: pattern, boltsMissing } = view.opening.opening;
    if (!pattern) {
      if (boltsMissing.length > 0) gaps.missing(MISSING);
      else gaps.fact('clears', NO_HOLES);
      return;
    }
    const { placement } = view;
    for (let at = 0; at < placement.turns.length; at++) {
      const { marginMm, expandedMm } = placement.turns[at] as JointTurn;
      if (gaps.keeps) addJoint(view, at, 1);
      gaps.offerKnown(marginMm, expandedMm, at);
      view.doubts.clear();
    }
    if (gaps.verdict === 'hits') return;
    for (let at = 0; at < view.layers.length; at++) {
      if ((view.layers[at] as LayerShape).layer.kind === 'spacer') askRing(view, gaps, at, rules);
    }
  },
  /** A misalignment is a distance: a screw that sits well may be off to either side. */
  askAround(view, gaps) {
    const { placement, joints } = view;
    placement.turns.forEach(({ turn }, at) => {
      addJoint(view, at, -1);
      gaps.alsoFrom((joints[at] as Joint).playMm + turn.decidingMm);
    });
  },
  tell(view, gaps, _rules, unit) {
    if (gaps.tag === MISSING)
      return {
        sentence: 'The screw holes have not been measured, so nobody knows whether the screws line up.',
        nearest: null,
        missing: missingOf(view),
      };
    if (gaps.tag === NO_HOLES)
      return {
        sentence: view.opening.opening.made
          ? 'The face is drilled to the speaker’s own pattern: no screw holes have to line up.'
          : 'The old speaker was not screwed in: no screw holes have to line up.',
        nearest: null,
      };
    return gaps.tag >= RING ? ringWords(gaps, unit) : { sentence: jointSentence(view, gaps.tag, unit), nearest: null };
  },
};

function missingOf({ opening }: View) {
  return opening.opening.boltsMissing;
}

function holeSlot(view: View, joint: number): number {
  const upper = lowerOf(view, joint + 1);
  return upper < 0 ? SPEAKER.boltFirst : layerAt(upper) + LAYER.lowerFirst;
}

function addJoint(view: View, joint: number, by: number): void {
  const { sensitivities } = view.placement.turns[joint] as JointTurn;
  const [screws, holes] = [screwSlot(view, joint), holeSlot(view, joint)];
  for (let at = 0; at < PATTERN_LENGTHS; at++) {
    const [ofScrews, ofHoles] = [sensitivities[at] as number, sensitivities[PATTERN_LENGTHS + at] as number];
    if (ofScrews !== 0) view.doubts.add(screws + at, by * ofScrews);
    if (ofHoles !== 0) view.doubts.add(holes + at, by * ofHoles);
  }
}

const CENTRE: LayerPlace = { xMm: 0, yMm: 0, angleRad: 0 };

/** Room between the screws and both edges of a ring; one that is cut to suit ends where the body needs its room. */
function askRing(view: View, gaps: Gaps, layer: number, rules: FitRules): void {
  const { joint, place } = screwsThrough(view, layer);
  const screws = view.joints[joint];
  if (!screws) return;
  const shape = view.layers[layer] as LayerShape;
  const { holeDiameterMm } = screws.screwSide;
  const slot = screwSlot(view, joint);
  if (isAlike(view, screws, shape, place)) {
    askRoundRing(view, gaps, layer, screws, slot, rules);
    return;
  }
  const moves = screws.screwMoves;
  const tag = RING + 2 * layer;
  screws.screws.forEach((screw, at) => {
    const [x, y] = onFace(place, screw);
    const asked = holeDiameterMm / 2 + rules.clearancesMm.wall;
    const inside = shape.isMade ? bodyEdge(view, layer, x, y) : ringEdge(view, layer, x, y);
    inside.add();
    addMoves(view, slot, moves, at, place, inside.nx, inside.ny);
    gaps.offer(inside.distanceMm - asked - (shape.isMade ? rules.clearancesMm.hole : 0), tag + INSIDE);
    if (shape.isMade) return;
    const ring = view.placeOf(layer);
    const room = roomIn(shape.outer, ring, { xMm: x, yMm: y, angleRad: 0 }, 0, 0);
    addOutline(view, layerAt(layer) + LAYER.outerLength, room.outer);
    const [nx, ny] = fromPlate(ring, room.nx, room.ny);
    addMoves(view, slot, moves, at, place, -nx, -ny);
    gaps.offer(room.roomMm - asked, tag + OUTSIDE);
  });
}

/** About a round ring and a round body all screws of a bolt circle stand alike. */
function isAlike(
  { speaker, placement }: View,
  { screwSide }: Joint,
  { inner, outer, isMade }: LayerShape,
  { xMm, yMm }: LayerPlace,
): boolean {
  if (screwSide.shape.kind !== 'circle') return false;
  if (!isMade) return inner.kind === 'circle' && outer.kind === 'circle';
  return speaker.looks === 'round' && placement.at.xMm === xMm && placement.at.yMm === yMm;
}

/** The same by the radii alone. */
function askRoundRing(view: View, gaps: Gaps, layer: number, joint: Joint, slot: number, rules: FitRules): void {
  const { inner, outer, isMade } = view.layers[layer] as LayerShape;
  const { shape, holeDiameterMm } = joint.screwSide;
  if (shape.kind !== 'circle') throw new Error('bolts: expected a bolt circle');
  const screwMm = shape.diameter.valueMm / 2;
  const asked = holeDiameterMm / 2 + rules.clearancesMm.wall;
  const tag = RING + 2 * layer;
  view.doubts.add(slot, 0.5);
  if (isMade) {
    const ring = widestPassing(view, layer);
    view.speaker.addWidths(view.doubts, ring, -1, 0);
    gaps.offer(screwMm - view.speaker.halfLengthMm(ring) - asked - rules.clearancesMm.hole, tag + INSIDE);
    return;
  }
  const first = layerAt(layer);
  view.doubts.add(first + LAYER.innerLength, -0.5);
  gaps.offer(screwMm - (inner as RoundMm).diameter / 2 - asked, tag + INSIDE);
  view.doubts.add(slot, -0.5);
  view.doubts.add(first + LAYER.outerLength, 0.5);
  gaps.offer((outer as RoundMm).diameter / 2 - screwMm - asked, tag + OUTSIDE);
}

type RoundMm = Extract<LayerShape['inner'], { kind: 'circle' }>;

type Edge = { readonly distanceMm: number; readonly nx: number; readonly ny: number; readonly add: () => void };

/** From the hole of a ring to a place, mm, with the direction from it. */
function ringEdge(view: View, layer: number, x: number, y: number): Edge {
  const { inner, layer: ring } = view.layers[layer] as LayerShape;
  const place = view.placeOf(layer);
  if (ring.kind !== 'spacer' || (inner.kind !== 'circle' && inner.kind !== 'oval'))
    throw new Error('bolts: expected a ring with a round or oval hole');
  const [a, b] =
    inner.kind === 'circle' ? [inner.diameter / 2, inner.diameter / 2] : [inner.length / 2, inner.width / 2];
  return {
    ...edgeFrom(place, a, b, x, y),
    add: () => addInner(view, layer, ring, place, a, b, x, y),
  };
}

function addInner(
  view: View,
  layer: number,
  { inner }: FitSpacer,
  place: LayerPlace,
  a: number,
  b: number,
  x: number,
  y: number,
): void {
  const slot = layerAt(layer) + LAYER.innerLength;
  const [along, across] = growth(place, a, b, x, y);
  if (outlineLengths(inner).length === 1) view.doubts.add(slot, -(along + across) / 2);
  else addOutline(view, slot, [-along / 2, -across / 2]);
}

/** The widest ring of the body that goes through a layer, or deeper. */
function widestPassing({ speaker, raisedMm, belowMm }: View, layer: number): number {
  const depthMm = raisedMm - (belowMm[layer + 1] as number);
  let widest = speaker.ringCount - 1;
  for (let ring = speaker.ringCount - 2; ring >= 0 && speaker.ringDepthMm(ring + 1) >= depthMm; ring--) {
    if (speaker.halfLengthMm(ring) > speaker.halfLengthMm(widest)) widest = ring;
  }
  return widest;
}

/** From the body where it goes through a layer, or deeper, to a place. */
function bodyEdge(view: View, layer: number, x: number, y: number): Edge {
  const { speaker, placement } = view;
  const ring = widestPassing(view, layer);
  const [a, b] = [speaker.halfLengthMm(ring), speaker.halfWidthMm(ring)];
  const [along, across] = growth(placement.at, a, b, x, y);
  return {
    ...edgeFrom(placement.at, a, b, x, y),
    add: () => speaker.addWidths(view.doubts, ring, -along, -across),
  };
}

function edgeFrom(place: LayerPlace, a: number, b: number, x: number, y: number) {
  const { distanceMm, nx, ny } = ellipseDistance(
    { xMm: place.xMm, yMm: place.yMm, halfLengthMm: a, halfWidthMm: b, angleRad: place.angleRad },
    x,
    y,
  );
  return { distanceMm, nx, ny };
}

/** How much of its half length and half width an ellipse grows towards a place. */
function growth(place: LayerPlace, a: number, b: number, x: number, y: number): readonly [number, number] {
  const { nx, ny } = edgeFrom(place, a, b, x, y);
  const { angleRad } = ellipseInPlate(place, a, b, CENTRE);
  const u = nx * Math.cos(angleRad) + ny * Math.sin(angleRad);
  const v = ny * Math.cos(angleRad) - nx * Math.sin(angleRad);
  const radial = Math.hypot(a * u, b * v) || 1;
  return [(a * u * u) / radial, (b * v * v) / radial];
}

function ringWords({ tag, valueMm }: Gaps, unit: LengthUnit): Told {
  const edge = tag % 2 === INSIDE ? 'hole' : 'outer edge';
  return {
    sentence:
      valueMm >= 0
        ? `All screws go through the ring, with ${printLength(valueMm, unit)} more wall to its ${edge} than the shop asks.`
        : `A screw through the ring has too little wall to its ${edge}: ${printLength(-valueMm, unit)} is missing.`,
    nearest: null,
  };
}

/** What a joint is called, by where it stands in the stack. */
export function jointWords({ layers }: View, joint: number): string {
  const brackets = layers.filter(({ layer }) => layer.kind === 'bracket').length;
  if (brackets === 0) return '';
  if (joint === brackets) return 'speaker on the bracket';
  return joint === 0 ? 'bracket' : 'bracket on bracket';
}

function jointSentence(view: View, at: number, unit: LengthUnit): string {
  const { playMm, enough } = view.joints[at] as Joint;
  const { turn } = view.placement.turns[at] as JointTurn;
  const all = turn.misalignmentsMm.length;
  const word = jointWords(view, at);
  const subject = word === '' ? '' : `, ${word}`;
  const allowed = `the holes allow ${printLength(playMm, unit)}`;
  if (turn.landed === all) {
    return `${all} of ${all} screws line up${subject}; the worst sits ${printLength(turn.worstMm, unit)} off the middle, ${allowed}.`;
  }
  const missed = missedWords(turn.misalignmentsMm, playMm);
  const ends = `${missed} ${printLength(turn.worstMm, unit)} off at most, ${allowed}`;
  return turn.landed >= enough
    ? `${turn.landed} of ${all} screws line up${subject}, and ${enough} are enough; ${ends}.`
    : `Only ${turn.landed} of ${all} screws line up${subject}; ${ends}.`;
}

/** Which screws miss, counted in the order in which they stand, the first one first. */
function missedWords(misalignmentsMm: readonly number[], playMm: number): string {
  const numbers = misalignmentsMm.flatMap((each, index) => (each > playMm ? [index + 1] : []));
  return `${numbers.length === 1 ? 'screw' : 'screws'} ${numbers.join(', ')} ${numbers.length === 1 ? 'is' : 'are'}`;
}
