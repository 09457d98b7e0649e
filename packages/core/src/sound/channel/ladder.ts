/**
 * Filters of first to fourth order as the coils and capacitors that they are made of: Butterworth ladders that a source without resistance
 * drives and that end at a resistance.
 *
 * @see Weinberg, Network Analysis and Synthesis, 1962; Zverev, Handbook of Filter Synthesis, 1967, singly terminated Butterworth (from memory;
 *   the tests hold the response against the closed form)
 */
import type { NetworkPart } from '../network/parts';

/** Of each order, from the source on, for 1 Ω and 1 rad/s. */
const VALUES: Readonly<Record<LadderOrder, readonly number[]>> = {
  1: [1],
  2: [Math.SQRT2, Math.SQRT1_2],
  3: [1.5, 4 / 3, 0.5],
  4: [1.530734, 1.577161, 1.082392, 0.382683],
};
export type LadderOrder = 1 | 2 | 3 | 4;
export type Corner = { readonly hz: number; readonly order: LadderOrder };

export type LadderEnds = {
  /** What its parts are called begins with this. */
  readonly id: string;
  readonly from: string;
  readonly to: string;
  /** The amplifier's other terminal. */
  readonly ground: string;
  /** What it is made for. */
  readonly ohm: number;
};

/** Passes what lies above the corner, and is 3 dB down at it. */
export function highPassParts(ladder: LadderEnds, corner: Corner): readonly NetworkPart[] {
  return partsOf(ladder, corner, (id, from, to, isSeries, value) => {
    const omega = 2 * Math.PI * corner.hz;
    return isSeries
      ? { id, from, to, kind: 'capacitor', farad: 1 / (value * omega * ladder.ohm) }
      : { id, from, to, kind: 'coil', henry: ladder.ohm / (value * omega), ohm: 0 };
  });
}

/** Passes what lies below the corner, and is 3 dB down at it. */
export function lowPassParts(ladder: LadderEnds, corner: Corner): readonly NetworkPart[] {
  return partsOf(ladder, corner, (id, from, to, isSeries, value) => {
    const omega = 2 * Math.PI * corner.hz;
    return isSeries
      ? { id, from, to, kind: 'coil', henry: (value * ladder.ohm) / omega, ohm: 0 }
      : { id, from, to, kind: 'capacitor', farad: value / (omega * ladder.ohm) };
  });
}

type Make = (id: string, from: string, to: string, isSeries: boolean, value: number) => NetworkPart;

function partsOf({ id, from, to, ground }: LadderEnds, { order }: Corner, make: Make): readonly NetworkPart[] {
  const values = VALUES[order];
  let at = from;
  return values.map((value, step) => {
    const isSeries = step % 2 === 0;
    const name = `${id} ${step + 1}`;
    if (!isSeries) return make(name, at, ground, false, value);
    const next = step >= order - 2 ? to : `${id} node ${step + 1}`;
    const part = make(name, at, next, true, value);
    at = next;
    return part;
  });
}
