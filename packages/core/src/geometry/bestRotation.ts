/**
 * Turns a part's bolt pattern until as many of the vehicle's screws as possible meet a hole.
 *
 * For one screw and one hole the misalignment is smooth in the angle and least where their directions agree; the worst
 * screw of the best rotation therefore lies at such an angle or between two of them. All those angles are tried, and
 * the most promising gaps between them are searched by golden section; where that does not land every screw, so are the
 * gaps between the angles at which screws enter and leave their holes. A plain scan in fixed steps would miss
 * the minimum by up to half a step times the radius (0.3 mm at 80 mm and 0.5°), as much as the play in a hole.
 */
import { leastBetween } from '../math/leastBetween';
import type { HoleMm } from './BoltPattern';

export type Rotation = {
  /** Turn of the part, anticlockwise as seen from the cabin, rad, in [0, 2π). */
  readonly angleRad: number;
  /** Screws whose misalignment is within the tolerance. */
  readonly landed: number;
  /** Misalignment of each screw, in the order of `screws`, mm. */
  readonly misalignmentsMm: readonly number[];
  readonly worstMm: number;
  /** Distances from the screws to the middles of their holes, added up; among equals the best centred turn is taken. */
  readonly offCentreMm: number;
};

export type RotationOptions = {
  /** How far a screw may sit from the middle of its hole, mm, at least 0. */
  readonly toleranceMm: number;
  /** Only these turns; every turn when left out. An oval speaker goes in two ways. */
  readonly anglesRad?: readonly number[];
  /** Among turns that serve the screws equally, the one for which this is least: the wire notch, say. */
  readonly prefer?: (angleRad: number) => number;
};

const FULL_TURN = 2 * Math.PI;
/** Angles that agree to this many parts of a radian are one start: symmetric patterns give each several times. */
const SAME_ANGLE = 1e9;
const ANGLE_TOLERANCE_RAD = 1e-7;
/** Holes that are off each other by less are in one place: far below what a drawing or a drill can do. */
const SAME_PLACE_MM = 1e-9;
/** Where a gap between two aligned angles is looked into, and how many of the gaps are then searched. */
const PROBES = [0.25, 0.5, 0.75];
const SEARCHED_GAPS = 3;
/** A slot is entered at the middle or somewhat aside of it; beyond a quarter of a radian no slot reaches. */
const PROBED_TURNS_RAD = [0, 0.01, 0.02, 0.04, 0.08, 0.16];
/**
 * Rotations whose worst misalignment differs by less are the same to a hand with a screwdriver. Among them the one whose
 * screws stand nearest the middles of their slots is taken, then the smallest angle.
 */
export const SAME_MM = 0.05;
/** Turns whose notches point within half a degree of each other are the same to a wire. */
const SAME_RAD = 0.01;

/**
 * The rotation at which most screws land. Where all do, it has the least worst misalignment (to `SAME_MM`); where some
 * cannot, one of the aligned turns that land most is given, and how far the others miss is what it is there.
 *
 * @param screws where the screws are (the vehicle's pattern); slots in it are ignored
 * @param holes the part's holes, unturned
 */
export function bestRotation(
  screws: readonly HoleMm[],
  holes: readonly HoleMm[],
  { toleranceMm, anglesRad, prefer }: RotationOptions,
): Rotation {
  return bestOf(screws, holes, toleranceMm, turnsOf(screws, holes, toleranceMm, anglesRad), prefer).rotation;
}

/** Rotations that serve the screws equally well, and after which part of a turn each of them comes again. */
export type Turns = { readonly rotations: readonly Rotation[]; readonly partRad: number };

/**
 * The rotations of which one is the best, whatever is preferred among equals: the dear part of the search. What a pattern
 * looks like after a part of a turn it looks like after every other such part, so only one is searched.
 *
 * @param anglesRad only these turns; every turn when left out
 */
export function turnsOf(
  screws: readonly HoleMm[],
  holes: readonly HoleMm[],
  toleranceMm: number,
  anglesRad?: readonly number[],
): Turns {
  const at = (angle: number) => rotationAt(screws, holes, angle, toleranceMm);
  if (anglesRad) return { rotations: equallyGood(anglesRad.map(at)), partRad: FULL_TURN };
  const [screwParts, holeParts] = [symmetryOf(screws, false), symmetryOf(holes, true)];
  const partRad = FULL_TURN / leastCommonMultiple(screwParts, holeParts);
  // In a pattern whose holes are all alike one stands for the others.
  const someScrews = screwParts === screws.length ? screws.slice(0, 1) : screws;
  const someHoles = holeParts === holes.length ? holes.slice(0, 1) : holes;
  const worst = (angle: number) => worstMisalignmentMm(screws, holes, angle);
  const probe = (angle: number) => probeAt(screws, holes, angle, toleranceMm);
  const aligned = alignedAngles(someScrews, someHoles, partRad);
  const first = [...aligned, ...searchGaps(aligned, partRad, probe, worst)].map(at);
  if (first.some(({ landed }) => landed === screws.length)) return { rotations: equallyGood(first), partRad };
  const limits = landingLimits(someScrews, someHoles, toleranceMm, partRad);
  return { rotations: equallyGood([...first, ...searchGaps(limits, partRad, probe, worst).map(at)]), partRad };
}

/** Of some rotations those at which most screws land and, of these, the worst is off the least. */
function equallyGood(rotations: readonly Rotation[]): readonly Rotation[] {
  const landed = Math.max(...rotations.map((rotation) => rotation.landed));
  const landing = rotations.filter((rotation) => rotation.landed === landed);
  const worstMm = Math.min(...landing.map((rotation) => rotation.worstMm));
  return landing.filter((rotation) => rotation.worstMm <= worstMm + SAME_MM);
}

/**
 * Of rotations that are equally good the one that is preferred, then the best centred one, then the smallest angle.
 *
 * @returns the rotation, and the one of `turns` that it is or that comes again in it
 */
export function bestOf(
  screws: readonly HoleMm[],
  holes: readonly HoleMm[],
  toleranceMm: number,
  { rotations, partRad }: Turns,
  prefer?: RotationOptions['prefer'],
): { readonly rotation: Rotation; readonly base: Rotation } {
  const parts = prefer ? Math.round(FULL_TURN / partRad) : 1;
  let best: Candidate | null = null;
  for (const base of rotations) {
    for (let part = 0; part < parts; part++) {
      const angleRad = base.angleRad + part * partRad;
      const dislike = prefer ? prefer(angleRad) : 0;
      if (!best || isBetter(dislike, base.offCentreMm, angleRad, best)) best = { base, angleRad, dislike };
    }
  }
  if (!best) throw new Error('bestRotation: expected at least one angle, got none');
  const { base, angleRad } = best;
  return { base, rotation: base.angleRad === angleRad ? base : rotationAt(screws, holes, angleRad, toleranceMm) };
}

type Candidate = { readonly base: Rotation; readonly angleRad: number; readonly dislike: number };

function isBetter(dislike: number, offCentreMm: number, angleRad: number, than: Candidate): boolean {
  if (Math.abs(dislike - than.dislike) > SAME_RAD) return dislike < than.dislike;
  const off = offCentreMm - than.base.offCentreMm;
  return Math.abs(off) > SAME_MM ? off < 0 : angleRad < than.angleRad;
}

/** Into how many equal parts a turn can be divided so that each maps the holes onto themselves. */
function symmetryOf(holes: readonly HoleMm[], hasSlots: boolean): number {
  for (let parts = holes.length; parts > 1; parts--) {
    const [cos, sin] = [Math.cos(FULL_TURN / parts), Math.sin(FULL_TURN / parts)];
    const isAlike = holes.every(({ xMm, yMm, slotXMm, slotYMm }) => {
      const [x, y] = [xMm * cos - yMm * sin, xMm * sin + yMm * cos];
      const [slotX, slotY] = hasSlots ? [slotXMm * cos - slotYMm * sin, slotXMm * sin + slotYMm * cos] : [0, 0];
      return holes.some(
        (other) =>
          isSame(other.xMm, x) &&
          isSame(other.yMm, y) &&
          // A slot has no front and no back.
          (!hasSlots ||
            (isSame(other.slotXMm, slotX) && isSame(other.slotYMm, slotY)) ||
            (isSame(other.slotXMm, -slotX) && isSame(other.slotYMm, -slotY))),
      );
    });
    if (isAlike) return parts;
  }
  return 1;
}

function isSame(a: number, b: number): boolean {
  return Math.abs(a - b) < SAME_PLACE_MM;
}

function leastCommonMultiple(a: number, b: number): number {
  let [greater, less] = [a, b];
  while (less > 0) [greater, less] = [less, greater % less];
  return (a * b) / greater;
}

/** The state at one given turn, mm. */
export function rotationAt(
  screws: readonly HoleMm[],
  holes: readonly HoleMm[],
  angleRad: number,
  toleranceMm: number,
): Rotation {
  const misalignmentsMm: number[] = [];
  let landed = 0;
  let worstMm = Number.NEGATIVE_INFINITY;
  let offMm = 0;
  for (const screw of screws) {
    const off = misalignmentMm(screw, holes, angleRad);
    misalignmentsMm.push(off);
    if (off <= toleranceMm) landed++;
    worstMm = Math.max(worstMm, off);
    offMm += offCentreMm(screw, holes, angleRad);
  }
  return {
    angleRad: ((angleRad % FULL_TURN) + FULL_TURN) % FULL_TURN,
    landed,
    misalignmentsMm,
    worstMm,
    offCentreMm: offMm,
  };
}

/** Angles within a part of a turn at which a screw stands in the direction of a hole, once each, in order. */
function alignedAngles(screws: readonly HoleMm[], holes: readonly HoleMm[], partRad: number): readonly number[] {
  const aligned = new Set<number>();
  for (const screw of screws) for (const hole of holes) aligned.add(tidyAngle(alignment(screw, hole), partRad));
  return [...aligned].sort((a, b) => a - b);
}

/**
 * The angles at which a screw enters or leaves a hole. Between two neighbours of them the number of screws that land is
 * constant, so looking into each of these gaps finds the most that can land.
 */
function landingLimits(
  screws: readonly HoleMm[],
  holes: readonly HoleMm[],
  toleranceMm: number,
  partRad: number,
): readonly number[] {
  const limits = new Set<number>();
  for (const screw of screws) {
    for (const hole of holes) {
      const aligned = alignment(screw, hole);
      const half = landingHalfAngle(screw, hole, aligned, toleranceMm);
      if (half === null) continue;
      limits.add(tidyAngle(aligned - half, partRad));
      limits.add(tidyAngle(aligned + half, partRad));
    }
  }
  return [...limits].sort((a, b) => a - b);
}

/** How far from the aligned angle a screw stays in its hole: a slot lies symmetric to the radius through its middle. */
function landingHalfAngle(screw: HoleMm, hole: HoleMm, aligned: number, toleranceMm: number): number | null {
  const off = (turn: number) => misalignmentMm(screw, [hole], aligned + turn);
  const probed = PROBED_TURNS_RAD.findLast((turn) => off(turn) <= toleranceMm);
  if (probed === undefined) return null;
  let inside: number = probed;
  let outside = Math.PI;
  while (outside - inside > ANGLE_TOLERANCE_RAD) {
    const middle = (inside + outside) / 2;
    if (off(middle) <= toleranceMm) inside = middle;
    else outside = middle;
  }
  return inside;
}

/** How many screws land at a turn and how far the worst of them is off; written over and over. */
const probed = { landed: 0, worstMm: 0 };

function probeAt(
  screws: readonly HoleMm[],
  holes: readonly HoleMm[],
  angle: number,
  toleranceMm: number,
): typeof probed {
  probed.landed = 0;
  probed.worstMm = 0;
  for (const screw of screws) {
    const off = misalignmentMm(screw, holes, angle);
    if (off <= toleranceMm) probed.landed++;
    if (off > probed.worstMm) probed.worstMm = off;
  }
  return probed;
}

/** The most promising gaps between neighbouring angles, searched for the least worst misalignment. */
function searchGaps(
  angles: readonly number[],
  partRad: number,
  probe: (angle: number) => typeof probed,
  worst: (angle: number) => number,
): readonly number[] {
  const gaps = angles.map((from, index) => {
    const to = angles[index + 1] ?? (angles[0] ?? 0) + partRad;
    let landed = 0;
    let promise = Number.POSITIVE_INFINITY;
    for (const part of PROBES) {
      const at = probe(from + part * (to - from));
      landed = Math.max(landed, at.landed);
      promise = Math.min(promise, at.worstMm);
    }
    return { from, to, landed, promise };
  });
  gaps.sort((a, b) => b.landed - a.landed || a.promise - b.promise);
  return gaps
    .slice(0, SEARCHED_GAPS)
    .flatMap(({ from, to }) => [(from + to) / 2, leastBetween(worst, from, to, ANGLE_TOLERANCE_RAD)]);
}

function alignment(screw: HoleMm, hole: HoleMm): number {
  return Math.atan2(screw.yMm, screw.xMm) - Math.atan2(hole.yMm, hole.xMm);
}

/** The angle within a part of a turn, in steps that make the same angle the same number. */
function tidyAngle(angle: number, partRad: number): number {
  const tidy = Math.round((((angle % partRad) + partRad) % partRad) * SAME_ANGLE) / SAME_ANGLE;
  return tidy > partRad - 1 / SAME_ANGLE ? 0 : tidy;
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
  for (let at = 0; at < holes.length; at++) {
    const { xMm, yMm, slotXMm, slotYMm } = holes[at] as HoleMm;
    let offX = x - xMm;
    let offY = y - yMm;
    const square = slotXMm * slotXMm + slotYMm * slotYMm;
    if (square > 0) {
      const along = Math.max(-1, Math.min(1, (offX * slotXMm + offY * slotYMm) / square));
      offX -= along * slotXMm;
      offY -= along * slotYMm;
    }
    const off = offX * offX + offY * offY;
    if (off < least) least = off;
  }
  return Math.sqrt(least);
}

/** Distance from a screw to the middle of the nearest hole or slot. */
function offCentreMm(screw: HoleMm, holes: readonly HoleMm[], angle: number): number {
  const cos = Math.cos(angle);
  const sin = Math.sin(angle);
  const x = screw.xMm * cos + screw.yMm * sin;
  const y = screw.yMm * cos - screw.xMm * sin;
  let least = Number.POSITIVE_INFINITY;
  for (const { xMm, yMm } of holes) {
    const off = (x - xMm) * (x - xMm) + (y - yMm) * (y - yMm);
    if (off < least) least = off;
  }
  return Math.sqrt(least);
}
