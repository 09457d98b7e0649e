/**
 * Where the wire comes through a piece: a groove as wide as a lead with its plug's wires and as deep as they are thick, in the face to the car, from
 * the throat outwards, where the opening's record says that the plug comes from. A piece that were cut through would be none any more.
 */
import { leaves, offEdgeMm, type PlaceMm } from './edges';
import type { Template } from './Template';

/** Of the notch, mm (common practice, no source). */
export const NOTCH_MM = 12;
/** Two wires of a speaker in their sleeve are as thick, mm (common practice, no source). */
const WIRE_MM = 4;
/** So much sheet stays over the groove, mm (common practice, no source). */
const OVER_MM = 2;

export type Notch = {
  /** Its two edges, from the throat to the outside: to the right of the way outwards, and to the left. */
  readonly sides: readonly [Side, Side];
  /** Inside of it, in the throat. */
  readonly at: PlaceMm;
  /** From the nearest edge of a hole to the notch, mm; negative where a screw stands in it. */
  readonly leastMm: number;
  /** From the face to the car, mm; null where the sheet is too thin for it, or a screw stands in it. */
  readonly depthMm: number | null;
};
type Side = readonly [from: PlaceMm, to: PlaceMm];

/** @returns null where no wire comes through, or nobody noted where the plug comes from */
export function notchOf({ outside, throat, holes, wireRad, hasNotch, thicknessMm }: Template): Notch | null {
  if (wireRad === null || !hasNotch) return null;
  const [ux, uy] = [Math.cos(wireRad), Math.sin(wireRad)];
  const half = NOTCH_MM / 2;
  const side = (beside: number): Side => {
    const from = { xMm: throat.xMm - uy * beside, yMm: throat.yMm + ux * beside };
    return [leaves(from, ux, uy, throat), leaves(from, ux, uy, outside)];
  };
  const inner = leaves(throat, ux, uy, throat);
  const gaps = holes.map(({ xMm, yMm, diameterMm }) => {
    const [dx, dy] = [xMm - throat.xMm, yMm - throat.yMm];
    const [far, beside] = [dx * ux + dy * uy, Math.abs(dy * ux - dx * uy)];
    // Only on the wire's side of the middle is there a notch.
    return (far < 0 ? Math.hypot(far, Math.max(0, beside - half)) : beside - half) - diameterMm / 2;
  });
  const leastMm = Math.min(Number.POSITIVE_INFINITY, ...gaps);
  return {
    sides: [side(-half), side(half)],
    at: { xMm: inner.xMm - ux * 14 - 4, yMm: inner.yMm - uy * 14 },
    leastMm,
    depthMm: leastMm >= 0 && thicknessMm >= WIRE_MM + OVER_MM && isWiderThanNotch(throat) ? WIRE_MM : null,
  };
}

/** Wider than its groove, so that the groove begins on its edge. */
function isWiderThanNotch(throat: Template['throat']): boolean {
  return -offEdgeMm(throat, throat.xMm, throat.yMm) > NOTCH_MM / 2;
}

/** What is written of it beside the square. */
export function notchWords(template: Template): readonly string[] {
  if (!template.hasNotch) return [];
  const notch = notchOf(template);
  if (!notch) return ['Nobody noted where the plug comes from: its notch is marked at the first fit.'];
  const clock = clockWords(template.wireRad as number);
  if (notch.leastMm < 0)
    return [`WIRE: a notch at ${clock} would meet a screw: beside it, as near as the wire reaches.`];
  if (notch.depthMm === null)
    return [`WIRE: at ${clock}; this sheet is too thin for a groove: the wire goes through beside it, in a sleeve.`];
  return [`WIRE: its groove at ${clock}, ${NOTCH_MM} mm wide, ${notch.depthMm} mm deep in the face to the car.`];
}

/** "half past four": as one reads the face of a clock on the car, to half an hour. */
function clockWords(rad: number): string {
  const hours = (((3 - (rad * 6) / Math.PI) % 12) + 12) % 12;
  const halves = Math.round(hours * 2) % 24;
  const hour = Math.floor(halves / 2);
  const name = HOURS[hour] as string;
  return halves % 2 === 0 ? `${name} o’clock` : `half past ${name}`;
}

const HOURS = [
  ...['twelve', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven'],
] as const;
