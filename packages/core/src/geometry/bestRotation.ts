/**
 * Turns a part's bolt pattern until as many of the vehicle's screws as possible meet a hole.
 *
 * For one screw and one hole the misalignment is smooth in the angle and least where their directions agree; the worst
 * screw of the best rotation therefore lies at such an angle or between two of them. All those angles are tried, and
 * the most promising gaps between them are searched by golden section. A plain scan in fixed steps was tried first and misses
 * the minimum by up to half a step times the radius (0.3 mm at 80 mm and 0.5°), as much as the play in a hole.
 */
import type { HoleMm } from './BoltPattern';

export type Rotation = {
  /** Turn of the part, anticlockwise as seen from the cabin, rad, in [0, 2π). */
  readonly angleRad: number;
  /** Screws whose misalignment is within the tolerance. */
  readonly landed: number;
  /** Misalignment of each screw, in the order of `screws`, mm. */
  readonly misalignmentsMm: readonly number[];
  readonly worstMm: number;
};

export type RotationOptions = {
  /** How far a screw may sit from the middle of its hole, mm, at least 0. */
  readonly toleranceMm: number;
  /** Only these turns; every turn when left out. An oval speaker goes in two ways. */
  readonly anglesRad?: readonly number[];
};

const FULL_TURN = 2 * Math.PI;
const GOLDEN = (Math.sqrt(5) - 1) / 2;
/** Angles that agree to this many parts of a radian are one start: symmetric patterns give each several times. */
const SAME_ANGLE = 1e9;
const ANGLE_TOLERANCE_RAD = 1e-7;
/** Where a gap between two aligned angles is looked into, and how many of the gaps are then searched. */
const PROBES = [0.25, 0.5, 0.75];
const SEARCHED_GAPS = 3;
/** Two rotations whose worst misalignment differs by less are the same; the smaller angle is kept. */
const SAME_MM = 1e-6;

/**
 * The rotation at which most screws land, and among those the one with the least worst misalignment.
 *
 * @param screws where the screws are (the vehicle's pattern); slots in it are ignored
 * @param holes the part's holes, unturned
 */
export function bestRotation(
  screws: readonly HoleMm[],
  holes: readonly HoleMm[],
  { toleranceMm, anglesRad }: RotationOptions,
): Rotation {
  const worst = (angle: number) => worstMisalignmentMm(screws, holes, angle);
  const angles = anglesRad ?? candidateAngles(screws, holes, worst);
  let best: Rotation | undefined;
  for (const angle of angles) {
    const rotation = rotationAt(screws, holes, angle, toleranceMm);
    if (!best || isBetter(rotation, best)) best = rotation;
  }
  if (!best) throw new Error('bestRotation: expected at least one angle, got none');
  return best;
}

/** The state at one given turn, mm. */
export function rotationAt(
  screws: readonly HoleMm[],
  holes: readonly HoleMm[],
  angleRad: number,
  toleranceMm: number,
): Rotation {
  const misalignmentsMm = screws.map((screw) => misalignmentMm(screw, holes, angleRad));
  return {
    angleRad: ((angleRad % FULL_TURN) + FULL_TURN) % FULL_TURN,
    landed: misalignmentsMm.filter((each) => each <= toleranceMm).length,
    misalignmentsMm,
    worstMm: Math.max(...misalignmentsMm),
  };
}

function isBetter(a: Rotation, b: Rotation): boolean {
  if (a.landed !== b.landed) return a.landed > b.landed;
  if (Math.abs(a.worstMm - b.worstMm) > SAME_MM) return a.worstMm < b.worstMm;
  return a.angleRad < b.angleRad;
}

function candidateAngles(
  screws: readonly HoleMm[],
  holes: readonly HoleMm[],
  worst: (angle: number) => number,
): readonly number[] {
  const aligned = new Set<number>([0]);
  for (const screw of screws) {
    for (const hole of holes) {
      const turn = Math.atan2(screw.yMm, screw.xMm) - Math.atan2(hole.yMm, hole.xMm);
      aligned.add(Math.round((((turn % FULL_TURN) + FULL_TURN) % FULL_TURN) * SAME_ANGLE) / SAME_ANGLE);
    }
  }
  const sorted = [...aligned].sort((a, b) => a - b);
  const gaps = sorted.map((from, index) => {
    const to = sorted[index + 1] ?? FULL_TURN;
    return { from, to, promise: Math.min(...PROBES.map((part) => worst(from + part * (to - from)))) };
  });
  gaps.sort((a, b) => a.promise - b.promise);
  return [...sorted, ...gaps.slice(0, SEARCHED_GAPS).map(({ from, to }) => leastBetween(worst, from, to))];
}

function leastBetween(of: (angle: number) => number, from: number, to: number): number {
  let low = from;
  let high = to;
  while (high - low > ANGLE_TOLERANCE_RAD) {
    const left = high - GOLDEN * (high - low);
    const right = low + GOLDEN * (high - low);
    if (of(left) <= of(right)) high = right;
    else low = left;
  }
  return (low + high) / 2;
}

function worstMisalignmentMm(screws: readonly HoleMm[], holes: readonly HoleMm[], angle: number): number {
  let worst = 0;
  for (const screw of screws) worst = Math.max(worst, misalignmentMm(screw, holes, angle));
  return worst;
}

/** Distance from a screw to the middle line of the nearest hole or slot, the part turned by `angle`. */
function misalignmentMm(screw: HoleMm, holes: readonly HoleMm[], angle: number): number {
  // Turning the screw back is the same as turning every hole, and cheaper.
  const cos = Math.cos(angle);
  const sin = Math.sin(angle);
  const x = screw.xMm * cos + screw.yMm * sin;
  const y = screw.yMm * cos - screw.xMm * sin;
  let least = Number.POSITIVE_INFINITY;
  for (const hole of holes) least = Math.min(least, distanceToSlot(x - hole.xMm, y - hole.yMm, hole));
  return least;
}

function distanceToSlot(x: number, y: number, { slotXMm, slotYMm }: HoleMm): number {
  const square = slotXMm * slotXMm + slotYMm * slotYMm;
  if (square === 0) return Math.hypot(x, y);
  const along = Math.max(-1, Math.min(1, (x * slotXMm + y * slotYMm) / square));
  return Math.hypot(x - along * slotXMm, y - along * slotYMm);
}
