/**
 * What a channel's source sees, without the voltages in between: each load is a ladder that ends at its driver, and a ladder is reduced from its
 * end to its beginning. For the thousands of channels that are drawn; `solveNetwork` tells the same of any network.
 */
import { admittance, type Complex, impedanceOf, type NetworkPart } from '../network/parts';
import type { Joined } from './channelNetwork';

/** A load's parts from its source on: each lies in the line, or across it; the driver comes last. */
export type Ladder = readonly NetworkPart[];

/** @returns of |Z|, Ω, at each frequency */
export function channelSizes(ladders: readonly Ladder[], joined: Joined, frequenciesHz: Float64Array): Float64Array {
  return frequenciesHz.map((hz) => {
    const omega = 2 * Math.PI * hz;
    let [re, im] = [0, 0];
    for (const ladder of ladders) {
      reduce(ladder, omega);
      if (joined === 'parallel') invert(Z);
      re += Z.re;
      im += Z.im;
    }
    const size = Math.hypot(re, im);
    return joined === 'parallel' ? 1 / size : size;
  });
}

const Z: Complex = { re: 0, im: 0 };
const PART: Complex = { re: 0, im: 0 };

/** Leaves the ladder's impedance in `Z`. */
function reduce(ladder: Ladder, omega: number): void {
  const last = ladder.at(-1) as NetworkPart;
  if (last.kind !== 'driver')
    throw new Error(`channelSizes: expected a ladder that ends at a driver, got ${last.kind}`);
  impedanceOf(last.driver, omega, Z);
  for (let at = ladder.length - 2; at >= 0; at--) {
    const part = ladder[at] as NetworkPart;
    if (part.to === last.to) across(part, omega);
    else inLine(part, omega);
  }
}

function inLine(part: NetworkPart, omega: number): void {
  switch (part.kind) {
    case 'resistor':
      Z.re += part.ohm;
      return;
    case 'capacitor':
      Z.im -= 1 / (omega * part.farad);
      return;
    case 'coil':
      Z.re += part.ohm;
      Z.im += omega * part.henry;
      return;
    case 'driver':
      throw new Error('channelSizes: expected one driver at the end of a ladder, got one in its line');
  }
}

function across(part: NetworkPart, omega: number): void {
  admittance(part, omega, PART);
  invert(Z);
  Z.re += PART.re;
  Z.im += PART.im;
  invert(Z);
}

function invert(each: Complex): void {
  const size = each.re * each.re + each.im * each.im;
  each.re /= size;
  each.im /= -size;
}
