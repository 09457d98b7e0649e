/**
 * Whether two bolt patterns can go together at all, by the distances from their centres alone: a bound, so that only pairs
 * that are worth a search over angles are turned.
 */
import { type BoltPattern, enoughScrews, patternDimensions, patternHoles } from '../../geometry/BoltPattern';
import { coverageFactor } from '../../uncertainty/Margin';
import type { FitRules } from '../shapes';

/** What of a pattern the distances need. */
type Radii = {
  readonly radiiMm: readonly number[];
  /** How far a slot lets a screw off its middle, mm. */
  readonly slotsMm: readonly number[];
  readonly doubtMm: number;
  readonly leastFreedom: number;
};

const known = new WeakMap<BoltPattern, Radii>();

/** False is certain: too few screws lie as far from the centre as a hole does. */
export function canMate(screwSide: BoltPattern, holeSide: BoltPattern, { confidence }: FitRules): boolean {
  const screws = radiiOf(screwSide);
  const holes = radiiOf(holeSide);
  const freedom = Math.min(screws.leastFreedom, holes.leastFreedom);
  const factor = coverageFactor(confidence, freedom < Infinity ? Math.max(1, Math.floor(freedom)) : null, 0);
  const allowedMm =
    Math.max(0, (holeSide.holeDiameterMm - screwSide.holeDiameterMm) / 2) + (screws.doubtMm + holes.doubtMm) * factor;
  let landing = 0;
  for (const radius of screws.radiiMm) if (isNear(radius, holes, allowedMm)) landing++;
  return landing >= enoughScrews(screws.radiiMm.length);
}

/**
 * What the margin of two patterns is not above, mm: the tolerance less what the worst of the screws that must land is off
 * the nearest hole along the radius alone, whatever the turn.
 */
export function leastMissMm(screwSide: BoltPattern, holeSide: BoltPattern): number {
  const { radiiMm } = radiiOf(screwSide);
  const holes = radiiOf(holeSide);
  const offMm = radiiMm.map((radius) =>
    holes.radiiMm.reduce(
      (least, each, at) => Math.min(least, Math.max(0, Math.abs(radius - each) - (holes.slotsMm[at] as number))),
      Number.POSITIVE_INFINITY,
    ),
  );
  const toleranceMm = Math.max(0, (holeSide.holeDiameterMm - screwSide.holeDiameterMm) / 2);
  return toleranceMm - (offMm.sort((a, b) => a - b)[enoughScrews(radiiMm.length) - 1] ?? 0);
}

function isNear(radiusMm: number, { radiiMm, slotsMm }: Radii, allowedMm: number): boolean {
  for (let at = 0; at < radiiMm.length; at++) {
    if (Math.abs(radiusMm - (radiiMm[at] as number)) - (slotsMm[at] as number) <= allowedMm) return true;
  }
  return false;
}

function radiiOf(pattern: BoltPattern): Radii {
  let radii = known.get(pattern);
  if (!radii) {
    const dimensions = patternDimensions(pattern.shape).map(({ dimension }) => dimension);
    const holes = patternHoles(pattern);
    radii = {
      radiiMm: holes.map(({ xMm, yMm }) => Math.hypot(xMm, yMm)),
      slotsMm: holes.map(({ slotXMm, slotYMm }) => Math.hypot(slotXMm, slotYMm)),
      doubtMm: dimensions.reduce((sum, { uncertaintyMm }) => sum + uncertaintyMm, 0),
      leastFreedom: Math.min(...dimensions.map(({ degreesOfFreedom }) => degreesOfFreedom ?? Number.POSITIVE_INFINITY)),
    };
    known.set(pattern, radii);
  }
  return radii;
}
