/** The best turn of a bolt pattern by brute force, written apart from the search that it referees. */
import type { HoleMm } from '../geometry/BoltPattern';

// Looked up once: global names cost a hundred million times over.
const { cos: cosOf, sin: sinOf, sqrt, min, max } = Math;
const FULL_TURN = 2 * Math.PI;

function flatten(holes: readonly HoleMm[]): Float64Array {
  return Float64Array.from(holes.flatMap(({ xMm, yMm, slotXMm, slotYMm }) => [xMm, yMm, slotXMm, slotYMm]));
}

/** Written apart from the search: the screw turned back and held against each hole, by projecting onto its slot; squares, for speed. */
function squareOff(x: number, y: number, flat: Float64Array): number {
  let least = Number.POSITIVE_INFINITY;
  for (let at = 0; at < flat.length; at += 4) {
    const sx = flat[at + 2] as number;
    const sy = flat[at + 3] as number;
    let offX = x - (flat[at] as number);
    let offY = y - (flat[at + 1] as number);
    const square = sx * sx + sy * sy;
    if (square > 0) {
      let t = (offX * sx + offY * sy) / square;
      t = max(-1, min(1, t));
      offX -= t * sx;
      offY -= t * sy;
    }
    const off = offX * offX + offY * offY;
    if (off < least) least = off;
  }
  return least;
}

/** How far each screw is off at a turn of the part, mm, the least first. */
export function offsAt(screws: readonly HoleMm[], holes: readonly HoleMm[], angle: number): readonly number[] {
  return flatOffsAt(screws, flatten(holes), angle);
}

function flatOffsAt(screws: readonly HoleMm[], flat: Float64Array, angle: number): readonly number[] {
  const [cos, sin] = [cosOf(angle), sinOf(angle)];
  return screws
    .map(({ xMm, yMm }) => sqrt(squareOff(xMm * cos + yMm * sin, yMm * cos - xMm * sin, flat)))
    .sort((a, b) => a - b);
}

/** Of all turns in steps of 0.1° the most screws that land, and with so many the least that the deciding one is off, mm. */
export function scanTurns(screws: readonly HoleMm[], holes: readonly HoleMm[], playMm: number, enough: number) {
  const flat = flatten(holes);
  const STEPS = 3600;
  let landed = 0;
  let deciding = Number.POSITIVE_INFINITY;
  for (let step = 0; step < STEPS; step++) {
    const angle = (FULL_TURN * step) / STEPS;
    const cos = cosOf(angle);
    const sin = sinOf(angle);
    let now = 0;
    for (let at = 0; at < screws.length; at++) {
      const { xMm, yMm } = screws[at] as HoleMm;
      if (squareOff(xMm * cos + yMm * sin, yMm * cos - xMm * sin, flat) <= playMm * playMm) now++;
    }
    if (now < landed) continue;
    const off = flatOffsAt(screws, flat, angle)[enough - 1] as number;
    deciding = now > landed || off < deciding ? off : deciding;
    landed = now;
  }
  return { landed, deciding };
}
