/**
 * Bolts line up: every joint of the stack at its best rotation, and every screw within the ring of the spacer it goes
 * through. Enough of the vehicle's screws must land; drilling new ones is a decision that is not taken here.
 */
import { type BoltPattern, patternHoles } from '../../geometry/BoltPattern';
import { extents, type PartOutline } from '../../geometry/Outline';
import { pairCache } from '../../math/pairCache';
import { type Quantity, quantity } from '../../uncertainty/Quantity';
import type { LengthUnit } from '../../units/parseLength';
import { printLength } from '../../units/printLength';
import { type Check, type GapOption, missingCheck, worstGapCheck } from '../Check';
import type { Mount, NamedJoint } from '../mount';
import type { Candidate, FitOpening, FitRules, FitSpacer } from '../shapes';

const ringRoom = pairCache(ringMargin);

export function boltsCheck(
  { bolts }: FitOpening,
  { spacer }: Candidate,
  { joints }: Mount,
  rules: FitRules,
  unit: LengthUnit,
): Check {
  if (!bolts) {
    return missingCheck(
      'bolts',
      ['boltCircle'],
      'The screw holes have not been measured, so nobody knows whether the screws line up.',
    );
  }
  const options: GapOption[] = joints.map((named) => ({
    quantity: named.joint.margin,
    nearest: null,
    sentence: () => jointSentence(named, unit),
  }));
  if (spacer && !spacer.made) options.push(ringOption(bolts, spacer, unit));
  return worstGapCheck('bolts', options, rules.confidence);
}

/** The room of the screws in a bought ring, mm; what a search over spacers asks first. */
export function ringRoomOf(bolts: BoltPattern, spacer: FitSpacer): Quantity {
  return ringRoom(bolts, spacer);
}

function ringOption(bolts: BoltPattern, spacer: FitSpacer, unit: LengthUnit): GapOption {
  return {
    quantity: ringRoom(bolts, spacer),
    nearest: null,
    sentence: ({ valueMm }) =>
      valueMm >= 0
        ? `All screws go through the spacer, the nearest ${printLength(valueMm, unit)} from its edge.`
        : `The screws miss the spacer: its ring is off by ${printLength(-valueMm, unit)} at the bolt circle.`,
  };
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

function edgeRoom(outline: PartOutline, angle: number, offsetMm: number, sign: 1 | -1, prefix: string): Quantity {
  const { length, width } = extents(outline);
  const radius = 0.5 / Math.hypot(Math.cos(angle) / length.valueMm, Math.sin(angle) / width.valueMm);
  return quantity(sign * radius + offsetMm, [{ name: `${prefix}Edge`, dimension: length, sensitivity: sign * 0.5 }]);
}

function jointSentence({ between, joint }: NamedJoint, unit: LengthUnit): string {
  const { rotation, toleranceMm, enough } = joint;
  const all = rotation.misalignmentsMm.length;
  const subject = between === 'speaker' ? '' : `, ${between}`;
  const allowed = `the holes allow ${printLength(toleranceMm, unit)}`;
  if (rotation.landed === all) {
    return `${all} of ${all} screws line up${subject}; the worst sits ${printLength(rotation.worstMm, unit)} off the middle, ${allowed}.`;
  }
  const missed = missedWords(rotation.misalignmentsMm, toleranceMm);
  const ends = `${missed} ${printLength(rotation.worstMm, unit)} off at most, ${allowed}`;
  return rotation.landed >= enough
    ? `${rotation.landed} of ${all} screws line up${subject}, and ${enough} are enough; ${ends}.`
    : `Only ${rotation.landed} of ${all} screws line up${subject}; ${ends}.`;
}

/** Which screws miss, counted in the order in which they stand, the first one first. */
function missedWords(misalignmentsMm: readonly number[], toleranceMm: number): string {
  const numbers = misalignmentsMm.flatMap((each, index) => (each > toleranceMm ? [index + 1] : []));
  return `${numbers.length === 1 ? 'screw' : 'screws'} ${numbers.join(', ')} ${numbers.length === 1 ? 'is' : 'are'}`;
}
