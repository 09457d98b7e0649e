/**
 * What a channel's source sees, and what of its voltage reaches the drivers: each load is a ladder that ends at its driver, and a ladder is reduced
 * from its end to its beginning. For the thousands of channels that are drawn; `solveNetwork` tells the same of any network.
 */
import { admittance, type Complex, impedanceOf, type NetworkPart } from '../network/parts';
import type { ComplexColumn } from '../network/solveNetwork';
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

/** @returns of each ladder the voltage at its driver, for one volt of the source, at each frequency */
export function driverVoltages(
  ladders: readonly Ladder[],
  joined: Joined,
  frequenciesHz: Float64Array,
): readonly ComplexColumn[] {
  const found = ladders.map(() => ({
    re: new Float64Array(frequenciesHz.length),
    im: new Float64Array(frequenciesHz.length),
  }));
  for (let at = 0; at < frequenciesHz.length; at++) {
    const omega = 2 * Math.PI * (frequenciesHz[at] as number);
    const whole: Complex = { re: 0, im: 0 };
    for (const [each, ladder] of ladders.entries()) {
      SHARE.re = 1;
      SHARE.im = 0;
      reduce(ladder, omega, SHARE);
      if (joined === 'series') {
        // Of the whole voltage a load in a row has what its impedance is of all of them.
        multiply(SHARE, Z);
        whole.re += Z.re;
        whole.im += Z.im;
      }
      const { re, im } = found[each] as ComplexColumn;
      re[at] = SHARE.re;
      im[at] = SHARE.im;
    }
    if (joined === 'series') for (const column of found) divideAt(column, at, whole);
  }
  return found;
}

const SHARE: Complex = { re: 0, im: 0 };
const Z: Complex = { re: 0, im: 0 };
const PART: Complex = { re: 0, im: 0 };

/**
 * Leaves the ladder's impedance in `Z`.
 *
 * @param share told what of the ladder's voltage reaches its driver: times what is behind each part in its line, of that with the part
 */
function reduce(ladder: Ladder, omega: number, share?: Complex): void {
  const last = ladder.at(-1) as NetworkPart;
  if (last.kind !== 'driver')
    throw new Error(`channelSizes: expected a ladder that ends at a driver, got ${last.kind}`);
  impedanceOf(last.driver, omega, Z);
  for (let at = ladder.length - 2; at >= 0; at--) {
    const part = ladder[at] as NetworkPart;
    if (part.to === last.to) across(part, omega);
    else {
      if (share) multiply(share, Z);
      inLine(part, omega);
      if (share) divide(share, Z);
    }
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

function multiply(each: Complex, by: Complex): void {
  const { re, im } = each;
  each.re = re * by.re - im * by.im;
  each.im = re * by.im + im * by.re;
}

function divide(each: Complex, by: Complex): void {
  const { re, im } = each;
  const size = by.re * by.re + by.im * by.im;
  each.re = (re * by.re + im * by.im) / size;
  each.im = (im * by.re - re * by.im) / size;
}

function divideAt({ re, im }: ComplexColumn, at: number, by: Complex): void {
  PART.re = re[at] as number;
  PART.im = im[at] as number;
  divide(PART, by);
  re[at] = PART.re;
  im[at] = PART.im;
}
