/** What one speaker gives at the ear, with its phase. */
import type { Complex } from '../network/parts';
import type { ComplexColumn } from '../network/solveNetwork';
import { type Cone, driverSound } from './driverSound';
import { type Way, wayDb } from './seat';

const METRES_PER_SECOND = 343;

export type Speaker = Cone & {
  /** At 2.83 V and 1 m. */
  readonly db: number;
  readonly way: Way;
  readonly isTurned: boolean;
};

/**
 * Adds it to what the others give, as a pressure against that of 0 dB: by its network, its cone and its distance.
 *
 * @param voltage at the speaker, for one volt of the channel
 */
export function addSound(
  sum: ComplexColumn,
  speaker: Speaker,
  voltage: ComplexColumn,
  frequenciesHz: Float64Array,
): void {
  const { db, way, isTurned } = speaker;
  for (let at = 0; at < frequenciesHz.length; at++) {
    const hz = frequenciesHz[at] as number;
    driverSound(speaker, hz, P);
    const size = (isTurned ? -1 : 1) * 10 ** ((db + wayDb(way, hz)) / 20);
    const late = (-2 * Math.PI * hz * way.distanceM) / METRES_PER_SECOND;
    const [re, im] = [size * Math.cos(late), size * Math.sin(late)];
    const [vRe, vIm] = [voltage.re[at] as number, voltage.im[at] as number];
    const [pRe, pIm] = [P.re * vRe - P.im * vIm, P.re * vIm + P.im * vRe];
    sum.re[at] = (sum.re[at] as number) + pRe * re - pIm * im;
    sum.im[at] = (sum.im[at] as number) + pRe * im + pIm * re;
  }
}

const P: Complex = { re: 0, im: 0 };
