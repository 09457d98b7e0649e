/**
 * One joint of a stack: screws on one side, holes on the other, and the best rotation between them.
 */
import { type BoltPattern, enoughScrews, type HoleMm, patternDimensions, patternHoles } from '../geometry/BoltPattern';
import { bestOf, type Rotation, type RotationOptions, rotationAt, type Turns, turnsOf } from '../geometry/bestRotation';
import { type Quantity, type QuantityTerm, quantity } from '../uncertainty/Quantity';

export type BoltJoint = {
  readonly rotation: Rotation;
  readonly screws: readonly HoleMm[];
  readonly holes: readonly HoleMm[];
  /** How far a screw may sit off the middle: half of what the hole is wider than the screw, mm. */
  readonly toleranceMm: number;
  /** How many screws are enough; the misalignment of the worst of them decides. */
  readonly enough: number;
  /** Tolerance less that misalignment, with what it depends on. */
  readonly margin: Quantity;
};

/** Step of the one-sided differences, mm: small against a hole's play, large against rounding. */
const STEP_MM = 1e-3;

/** What joints have in common whose patterns are alike, so that it is found once: above all the rotations of which one becomes theirs. */
export type JointTurns = {
  readonly screws: readonly HoleMm[];
  readonly holes: readonly HoleMm[];
  readonly toleranceMm: number;
  readonly turns: Turns;
  /** Joints that come to the same place, or to one that looks like it, have the same margin; kept where it is known. */
  readonly margins: Map<Rotation, Quantity>;
};

/**
 * @param screwSide the pattern whose `holeDiameterMm` is the screw's diameter
 * @param holeSide the pattern that is turned
 * @param anglesRad the only turns allowed; any when left out
 */
export function jointTurns(
  screwSide: BoltPattern,
  holeSide: BoltPattern,
  { anglesRad }: Pick<RotationOptions, 'anglesRad'>,
): JointTurns {
  const toleranceMm = Math.max(0, (holeSide.holeDiameterMm - screwSide.holeDiameterMm) / 2);
  const screws = patternHoles(screwSide);
  const holes = patternHoles(holeSide);
  return { screws, holes, toleranceMm, turns: turnsOf(screws, holes, toleranceMm, anglesRad), margins: new Map() };
}

/**
 * @param screwSide the pattern whose `holeDiameterMm` is the screw's diameter
 * @param holeSide the pattern that is turned
 * @param names prefixes for the dimensions of either side, such as `opening.` and `speaker.`
 * @param options the only turns allowed (any when left out), and which of equal ones is liked best
 * @param shared of two patterns that are like these; searched when left out
 */
export function boltJoint(
  screwSide: BoltPattern,
  holeSide: BoltPattern,
  names: { readonly screws: string; readonly holes: string },
  { prefer, ...options }: Pick<RotationOptions, 'anglesRad' | 'prefer'> = {},
  shared: JointTurns = jointTurns(screwSide, holeSide, options),
): BoltJoint {
  const { screws, holes, toleranceMm, turns, margins } = shared;
  const { rotation, base } = bestOf(screws, holes, toleranceMm, turns, prefer);
  const enough = enoughScrews(screws.length);
  let margin = margins.get(base);
  if (!margin) {
    margin = marginOf(screwSide, holeSide, names, base, shared, enough);
    margins.set(base, margin);
  }
  return { rotation, screws, holes, toleranceMm, enough, margin };
}

function marginOf(
  screwSide: BoltPattern,
  holeSide: BoltPattern,
  names: { readonly screws: string; readonly holes: string },
  rotation: Rotation,
  { screws, holes, toleranceMm }: JointTurns,
  enough: number,
): Quantity {
  const decidingMm = ({ misalignmentsMm }: Pick<Rotation, 'misalignmentsMm'>) =>
    [...misalignmentsMm].sort((a, b) => a - b)[enough - 1] ?? 0;
  const at = decidingMm(rotation);
  const moved = (a: readonly HoleMm[], b: readonly HoleMm[]) =>
    decidingMm(rotationAt(a, b, rotation.angleRad, toleranceMm));
  return quantity(toleranceMm - at, [
    ...slopes(screwSide, names.screws, (shifted) => moved(shifted, holes), at),
    ...slopes(holeSide, names.holes, (shifted) => moved(screws, shifted), at),
  ]);
}

/**
 * Sensitivities by one-sided differences at the fixed best rotation. A misalignment is a distance and has a kink at
 * zero, where a central difference would claim that nothing depends on anything: the steeper side is taken.
 */
function slopes(
  pattern: BoltPattern,
  prefix: string,
  worstOf: (holes: readonly HoleMm[]) => number,
  worstMm: number,
): readonly QuantityTerm[] {
  const dimensions = patternDimensions(pattern.shape);
  const values = dimensions.map(({ dimension }) => dimension.valueMm);
  return dimensions.map(({ key, dimension }, index) => {
    const at = (step: number) =>
      worstOf(
        patternHoles(
          pattern,
          values.map((value, each) => (each === index ? value + step : value)),
        ),
      );
    const up = (at(STEP_MM) - worstMm) / STEP_MM;
    const down = (worstMm - at(-STEP_MM)) / STEP_MM;
    return { name: `${prefix}${key}`, dimension, sensitivity: -(Math.abs(up) >= Math.abs(down) ? up : down) };
  });
}
