/**
 * Where the wire comes through a piece: a notch as wide as a lead with its plug's wires, from the throat outwards, where the opening's record says
 * that the plug comes from. It is marked and cut by hand, as deep as the wire is thick: a piece that were cut through would be none any more.
 */
import type { EllipseMm } from '../geometry';
import type { Template } from './Template';

/** Of the notch, mm (common practice, no source). */
export const NOTCH_MM = 12;

type PlaceMm = { readonly xMm: number; readonly yMm: number };

export type Notch = {
  /** Its two edges, from the throat to the outside. */
  readonly sides: readonly (readonly [PlaceMm, PlaceMm])[];
  /** Inside of it, in the throat. */
  readonly at: PlaceMm;
  /** From the nearest edge of a hole to the notch, mm; negative where a screw stands in it. */
  readonly leastMm: number;
};

/** @returns null where nobody noted where the plug comes from */
export function notchOf({ outside, throat, holes, wireRad }: Template): Notch | null {
  if (wireRad === null) return null;
  const [ux, uy] = [Math.cos(wireRad), Math.sin(wireRad)];
  const half = NOTCH_MM / 2;
  const sides = [-half, half].map((beside) => {
    const from = { xMm: throat.xMm - uy * beside, yMm: throat.yMm + ux * beside };
    return [along(from, ux, uy, throat), along(from, ux, uy, outside)] as const;
  });
  const inner = along(throat, ux, uy, throat);
  const gaps = holes.map(({ xMm, yMm, diameterMm }) => {
    const [dx, dy] = [xMm - throat.xMm, yMm - throat.yMm];
    const [far, beside] = [dx * ux + dy * uy, Math.abs(dy * ux - dx * uy)];
    // Only on the wire's side of the middle is there a notch.
    return (far < 0 ? Math.hypot(far, Math.max(0, beside - half)) : beside - half) - diameterMm / 2;
  });
  return {
    sides,
    at: { xMm: inner.xMm - ux * 14 - 4, yMm: inner.yMm - uy * 14 },
    leastMm: Math.min(Number.POSITIVE_INFINITY, ...gaps),
  };
}

/** What is written of it beside the square. */
export function notchWords(template: Template): readonly string[] {
  const notch = notchOf(template);
  if (!notch) return ['Nobody noted where the plug comes from: its notch is marked at the first fit.'];
  const clock = clockWords(template.wireRad as number);
  return notch.leastMm < 0
    ? [`WIRE: a notch at ${clock} would meet a screw: beside it, as near as the wire reaches.`]
    : [`WIRE: its notch at ${clock}, ${NOTCH_MM} mm wide, as deep as the wire is thick.`];
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

/** Where a ray from inside an ellipse leaves it. */
function along(
  { xMm, yMm }: PlaceMm,
  ux: number,
  uy: number,
  { xMm: cx, yMm: cy, halfLengthMm: a, halfWidthMm: b, angleRad }: EllipseMm,
): PlaceMm {
  const [cos, sin] = [Math.cos(angleRad), Math.sin(angleRad)];
  const [dx, dy] = [xMm - cx, yMm - cy];
  const [px, py] = [(dx * cos + dy * sin) / a, (dy * cos - dx * sin) / b];
  const [vx, vy] = [(ux * cos + uy * sin) / a, (uy * cos - ux * sin) / b];
  const [qa, qb, qc] = [vx * vx + vy * vy, px * vx + py * vy, px * px + py * py - 1];
  const t = (-qb + Math.sqrt(Math.max(0, qb * qb - qa * qc))) / qa;
  return { xMm: xMm + ux * t, yMm: yMm + uy * t };
}
