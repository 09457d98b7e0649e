/**
 * Bolts line up: every joint of the stack at its best rotation, and every screw within the ring of the spacer it goes
 * through. All of the vehicle's screws must land; drilling new ones is a decision that is not taken here.
 */
import { type BoltPattern, patternHoles } from '../../geometry/BoltPattern';
import { extents, type Outline } from '../../geometry/Outline';
import { pairCache } from '../../math/pairCache';
import { type Quantity, quantity } from '../../uncertainty/Quantity';
import type { LengthUnit } from '../../units/parseLength';
import { printLength } from '../../units/printLength';
import { type BoltJoint, boltJoint } from '../boltJoint';
import { type Check, marginCheck, missingCheck } from '../Check';
import type { Candidate, FitBracket, FitOpening, FitRules, FitSpacer, FitSpeaker } from '../shapes';

export type NamedJoint = { readonly between: string; readonly joint: BoltJoint };

/** A part with an oval opening goes onto its place in two ways only. */
const OVAL_TURNS = [0, Math.PI];

/** Rotations are the dear part of a judgement and depend on two patterns only, so each pair is turned once. */
const toVehicle = pairCache((bolts: BoltPattern, speaker: FitSpeaker) =>
  boltJoint(bolts, speaker.bolts, { screws: 'opening.', holes: 'speaker.' }, turnsOf(speaker.basket)),
);
const bracketToVehicle = pairCache((bolts: BoltPattern, bracket: FitBracket) =>
  boltJoint(bolts, bracket.vehicleBolts, { screws: 'opening.', holes: 'bracket.vehicle.' }, turnsOf(bracket.throat)),
);
const toBracket = pairCache((bracket: FitBracket, speaker: FitSpeaker) =>
  boltJoint(
    bracket.speakerBolts,
    speaker.bolts,
    { screws: 'bracket.speaker.', holes: 'speaker.' },
    turnsOf(speaker.basket),
  ),
);
const ringRoom = pairCache(ringMargin);

export function boltsCheck(opening: FitOpening, candidate: Candidate, rules: FitRules, unit: LengthUnit): Check {
  const { bolts } = opening;
  if (!bolts) {
    return missingCheck(
      'bolts',
      ['boltCircle'],
      'The screw holes have not been measured, so nobody knows whether the screws line up.',
    );
  }
  const joints = boltJoints(bolts, candidate);
  const worst = joints.reduce((a, b) => (b.joint.margin.valueMm < a.joint.margin.valueMm ? b : a));
  const ring = candidate.spacer ? ringRoom(bolts, candidate.spacer) : null;
  if (ring && ring.valueMm < worst.joint.margin.valueMm) {
    return marginCheck('bolts', ring, rules.confidence, ({ valueMm }) =>
      valueMm >= 0
        ? `All screws go through the spacer, the nearest ${printLength(valueMm, unit)} from its edge.`
        : `The screws miss the spacer: its ring is off by ${printLength(-valueMm, unit)} at the bolt circle.`,
    );
  }
  return marginCheck('bolts', worst.joint.margin, rules.confidence, () => jointSentence(worst, unit));
}

/** The joints of a stack from the vehicle to the speaker. */
export function boltJoints(bolts: BoltPattern, { speaker, bracket }: Candidate): readonly NamedJoint[] {
  if (!bracket) return [{ between: 'speaker', joint: toVehicle(bolts, speaker) }];
  return [
    { between: 'bracket', joint: bracketToVehicle(bolts, bracket) },
    { between: 'speaker on the bracket', joint: toBracket(bracket, speaker) },
  ];
}

function turnsOf(outline: Outline): readonly number[] | undefined {
  return outline.kind === 'oval' ? OVAL_TURNS : undefined;
}

/**
 * Room between the screws and the edges of the ring, along the radius through each screw; exact for round rings. An
 * oval ring's true distance is smaller by the slant of its edge there, about 7 % at most for a 6×9.
 */
function ringMargin(bolts: BoltPattern, spacer: FitSpacer): Quantity {
  const half = bolts.holeDiameterMm / 2;
  let least: Quantity | undefined;
  for (const { xMm, yMm } of patternHoles(bolts)) {
    const angle = Math.atan2(yMm, xMm);
    const inside = edgeRoom(spacer.inner, angle, Math.hypot(xMm, yMm) - half, -1, 'spacer.inner');
    const outside = edgeRoom(spacer.outer, angle, -Math.hypot(xMm, yMm) - half, 1, 'spacer.outer');
    for (const room of [inside, outside]) if (!least || room.valueMm < least.valueMm) least = room;
  }
  if (!least) throw new Error('ringMargin: expected at least one screw, got none');
  return least;
}

function edgeRoom(outline: Outline, angle: number, offsetMm: number, sign: 1 | -1, prefix: string): Quantity {
  const { length, width } = extents(outline);
  const radius = 0.5 / Math.hypot(Math.cos(angle) / length.valueMm, Math.sin(angle) / width.valueMm);
  return quantity(sign * radius + offsetMm, [{ name: `${prefix}Edge`, dimension: length, sensitivity: sign * 0.5 }]);
}

function jointSentence({ between, joint }: NamedJoint, unit: LengthUnit): string {
  const { rotation, toleranceMm } = joint;
  const all = rotation.misalignmentsMm.length;
  const worst = printLength(rotation.worstMm, unit);
  const subject = between === 'speaker' ? '' : `, ${between}`;
  if (rotation.landed === all) {
    return `${all} of ${all} screws line up${subject}; the worst sits ${worst} off the middle, the holes allow ${printLength(toleranceMm, unit)}.`;
  }
  return `Only ${rotation.landed} of ${all} screws line up${subject}; the worst is ${worst} off, the holes allow ${printLength(toleranceMm, unit)}.`;
}
