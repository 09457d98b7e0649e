/**
 * Every turn of a part at which the vehicle's screws meet its holes.
 *
 * A screw lands in a hole while it lies in the hole's capsule: all places within the play of the slot's middle line. The
 * screw moves on a circle about the centre as the part is turned, and a circle crosses a capsule at angles in closed form
 * (its two sides and its two round ends). Between neighbouring crossings the set of screws that land is constant, so the
 * stretches with the most screws are exact whatever the slots' directions; a scan in fixed steps would miss short ones.
 * Within a stretch the misalignment that decides is searched for between the angles at which a screw and a hole point the
 * same way.
 */
import { ANGLE_STEP_RAD, leastBetween, SAME_ANGLE_RAD, SAME_PLACE_MM } from '../math';
import type { HoleMm } from './BoltPattern';

/** A turn of the part, with how the screws sit at it. */
export type Turn = {
  /** Anticlockwise as seen from the cabin, rad, in [0, 2π). */
  readonly angleRad: number;
  /** Screws whose misalignment is within the play. */
  readonly landed: number;
  /** Misalignment of each screw, in the order of the screws, mm. */
  readonly misalignmentsMm: readonly number[];
  /** Misalignment of the last of the screws that are enough, the least first, mm. */
  readonly decidingMm: number;
  readonly worstMm: number;
};

/** A stretch of turns at which the same number of screws land, with the best turn in it. */
export type Stretch = { readonly fromRad: number; readonly toRad: number; readonly best: Turn };

export type Landing = {
  readonly screws: readonly HoleMm[];
  readonly holes: readonly HoleMm[];
  /** How far a screw may sit from the middle line of its hole, mm. */
  readonly playMm: number;
  readonly enough: number;
};

const FULL_TURN = 2 * Math.PI;
/** A screw that only touches the edge of its play lands. */
const TOUCH_MM = 1e-9;
/** Steps in which a stretch is looked through, and how many of the dips found are searched. */
const STEP_RAD = Math.PI / 90;
const LEAST_STEPS = 6;
const SEARCHED_DIPS = 4;

/**
 * The stretches of turns at which enough screws land; where there is none, those at which most do.
 *
 * @param anglesRad the only turns to look at, each a stretch of its own; every turn when left out
 * @returns most screws first, then the least deciding misalignment, then the least worst, then by angle; never empty
 */
export function landingStretches(landing: Landing, anglesRad?: readonly number[]): readonly Stretch[] {
  const stretches = anglesRad
    ? anglesRad.map((angle): Stretch => ({ fromRad: angle, toRad: angle, best: turnAt(landing, angle) }))
    : freeStretches(landing);
  const most = Math.max(...stretches.map(({ best }) => best.landed));
  const least = Math.min(most, landing.enough);
  return stretches.filter(({ best }) => best.landed >= least).sort((a, b) => compareTurns(a.best, b.best));
}

/** Negative when a serves the screws better. */
export function compareTurns(a: Turn, b: Turn): number {
  return (
    b.landed - a.landed ||
    differ(a.decidingMm, b.decidingMm) ||
    differ(a.worstMm, b.worstMm) ||
    differ(a.angleRad, b.angleRad)
  );
}

function differ(a: number, b: number): number {
  return Math.abs(a - b) <= SAME_PLACE_MM ? 0 : a - b;
}

/** How the screws sit at one turn. */
export function turnAt({ screws, holes, playMm, enough }: Landing, angleRad: number): Turn {
  const misalignmentsMm = screws.map((screw) => misalignmentMm(screw, holes, angleRad));
  const sorted = [...misalignmentsMm].sort((a, b) => a - b);
  return {
    angleRad: within(angleRad, FULL_TURN),
    landed: misalignmentsMm.filter((each) => each <= playMm + TOUCH_MM).length,
    misalignmentsMm,
    decidingMm: sorted[enough - 1] ?? 0,
    worstMm: sorted[sorted.length - 1] ?? 0,
  };
}

function freeStretches(landing: Landing): readonly Stretch[] {
  const { screws, holes } = landing;
  const parts = leastCommonMultiple(symmetryOf(screws, false), symmetryOf(holes, true));
  const partRad = FULL_TURN / parts;
  const stretches = stretchesOf(landing, partRad);
  // What the pattern looks like after a part of a turn it looks like after every other such part.
  return Array.from({ length: parts }, (_, part) => part * partRad).flatMap((by) =>
    stretches.map(
      ({ fromRad, toRad, best }): Stretch => ({
        fromRad: fromRad + by,
        toRad: toRad + by,
        best: by === 0 ? best : turnAt(landing, best.angleRad + by),
      }),
    ),
  );
}

/** Within one part of a turn; only those that may be among the best. */
function stretchesOf(landing: Landing, partRad: number): readonly Stretch[] {
  const aligned = alignedAngles(landing, partRad);
  const limits = tidyAngles(
    landing.screws.flatMap((screw) => landingLimits(landing, screw)),
    partRad,
  );
  const cells = limits.length > 0 ? cellsOf(landing, limits, partRad) : [];
  const most = Math.max(0, ...cells.map(({ landed }) => landed));
  if (most === 0) {
    const all = { fromRad: 0, toRad: partRad };
    return [{ ...all, best: bestTurn(landing, all, aligned, partRad) }];
  }
  const least = Math.min(most, landing.enough);
  return cells
    .filter(({ landed }) => landed >= least)
    .map((cell) => ({ fromRad: cell.fromRad, toRad: cell.toRad, best: bestTurn(landing, cell, aligned, partRad) }));
}

type Cell = { readonly fromRad: number; readonly toRad: number; readonly landed: number };

/** Between neighbouring limits, those side by side with as many screws as one. */
function cellsOf({ screws, holes, playMm }: Landing, limits: readonly number[], partRad: number): readonly Cell[] {
  const cells: Cell[] = [];
  limits.forEach((fromRad, index) => {
    const toRad = limits[index + 1] ?? (limits[0] ?? 0) + partRad;
    const middle = (fromRad + toRad) / 2;
    const landed = screws.filter((screw) => misalignmentMm(screw, holes, middle) <= playMm + TOUCH_MM).length;
    const before = cells[cells.length - 1];
    if (before?.landed === landed) cells[cells.length - 1] = { fromRad: before.fromRad, toRad, landed };
    else cells.push({ fromRad, toRad, landed });
  });
  return cells;
}

/**
 * The turn in a stretch at which the deciding screw, and then the worst one, is off least: looked for at the aligned angles
 * and in small steps, then searched for about the most promising of these.
 */
function bestTurn(
  landing: Landing,
  { fromRad, toRad }: Pick<Cell, 'fromRad' | 'toRad'>,
  aligned: readonly number[],
  partRad: number,
): Turn {
  const at = (angle: number) => turnAt(landing, angle);
  const steps = Math.max(LEAST_STEPS, Math.ceil((toRad - fromRad) / STEP_RAD));
  const angles = [
    ...Array.from({ length: steps + 1 }, (_, step) => fromRad + ((toRad - fromRad) * step) / steps),
    ...[0, partRad]
      .flatMap((by) => aligned.map((angle) => angle + by))
      .filter((angle) => angle > fromRad && angle < toRad),
  ].sort((a, b) => a - b);
  const turns = angles.map(at);
  const dips = turns
    .map(({ decidingMm }, index) => ({ index, decidingMm }))
    .filter(
      ({ index, decidingMm }) =>
        decidingMm <= (turns[index - 1]?.decidingMm ?? Number.POSITIVE_INFINITY) &&
        decidingMm <= (turns[index + 1]?.decidingMm ?? Number.POSITIVE_INFINITY),
    )
    .sort((a, b) => a.decidingMm - b.decidingMm);
  const found = [...turns];
  for (const { index } of dips.slice(0, SEARCHED_DIPS)) {
    const from = angles[Math.max(0, index - 1)] as number;
    const to = angles[Math.min(angles.length - 1, index + 1)] as number;
    found.push(at(leastBetween((angle) => at(angle).decidingMm, from, to, SAME_ANGLE_RAD)));
    found.push(at(leastBetween((angle) => at(angle).worstMm, from, to, SAME_ANGLE_RAD)));
  }
  return found.sort(compareTurns)[0] as Turn;
}

/** The turns at which a screw enters or leaves the play of a hole. */
function landingLimits({ holes, playMm }: Landing, { xMm, yMm }: HoleMm): readonly number[] {
  const radius = Math.hypot(xMm, yMm);
  const own = Math.atan2(yMm, xMm);
  if (radius < SAME_PLACE_MM) return [];
  const near = playMm + TOUCH_MM;
  const crossings: number[] = [];
  for (const hole of holes) {
    const slot = Math.hypot(hole.slotXMm, hole.slotYMm);
    if (Math.abs(Math.hypot(hole.xMm, hole.yMm) - radius) > near + slot) continue;
    for (const end of slot > 0 ? [-1, 1] : [0]) {
      crossCircle(crossings, radius, hole.xMm + end * hole.slotXMm, hole.yMm + end * hole.slotYMm, near);
    }
    if (slot > 0) crossSides(crossings, radius, hole, slot, near);
  }
  return crossings.map((angle) => own - angle);
}

/** By the law of cosines: where the circle about the origin comes so near to a place. */
function crossCircle(out: number[], radius: number, x: number, y: number, nearMm: number): void {
  const away = Math.hypot(x, y);
  const cos = (radius * radius + away * away - nearMm * nearMm) / (2 * radius * away);
  if (!(Math.abs(cos) <= 1)) return;
  const middle = Math.atan2(y, x);
  out.push(middle - Math.acos(cos), middle + Math.acos(cos));
}

/** Where it crosses the two lines beside a slot. */
function crossSides(out: number[], radius: number, hole: HoleMm, slot: number, nearMm: number): void {
  const [nx, ny] = [-hole.slotYMm / slot, hole.slotXMm / slot];
  const middle = Math.atan2(ny, nx);
  for (const side of [-nearMm, nearMm]) {
    const cos = (nx * hole.xMm + ny * hole.yMm + side) / radius;
    if (Math.abs(cos) <= 1) out.push(middle - Math.acos(cos), middle + Math.acos(cos));
  }
}

/** Angles within a part of a turn at which a screw and a hole, or an end of its slot, point the same way. */
function alignedAngles({ screws, holes }: Landing, partRad: number): readonly number[] {
  return tidyAngles(
    screws.flatMap((screw) =>
      holes.flatMap(({ xMm, yMm, slotXMm, slotYMm }) => {
        const own = Math.atan2(screw.yMm, screw.xMm);
        const ends = slotXMm === 0 && slotYMm === 0 ? [0] : [-1, 0, 1];
        return ends.map((end) => own - Math.atan2(yMm + end * slotYMm, xMm + end * slotXMm));
      }),
    ),
    partRad,
  );
}

/** Brought into [0, part), sorted, those that are one taken once. */
function tidyAngles(angles: readonly number[], partRad: number): readonly number[] {
  const sorted = angles.map((angle) => within(angle, partRad)).sort((a, b) => a - b);
  return sorted.filter((angle, index) => index === 0 || angle - (sorted[index - 1] as number) > ANGLE_STEP_RAD);
}

function within(angle: number, partRad: number): number {
  const inside = ((angle % partRad) + partRad) % partRad;
  return partRad - inside < ANGLE_STEP_RAD ? 0 : inside;
}

/** Into how many equal parts a turn can be divided so that each maps the holes onto themselves. */
export function symmetryOf(holes: readonly HoleMm[], hasSlots: boolean): number {
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

/** Distance from a screw to the middle line of the nearest hole or slot, the part turned, mm. */
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
