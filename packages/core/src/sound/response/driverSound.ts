/** Where a kind of driver stops to play as its circuit says, as ranges, and what it plays there. */
import type { Between, DriverKind } from '../channel/electrics';
import type { Complex, Driver } from '../network/parts';
import { conePressure } from './conePressure';

/**
 * A cone's upper end, where it breaks up and points, and where a coaxial's own tweeter takes over, Hz (from memory): of second order. A tweeter's lies
 * beyond what can be heard. There it is 6 dB down.
 */
export const UPPER_END_HZ: Readonly<Record<DriverKind, Between>> = {
  coaxial: { least: 3000, most: 6000 },
  'component woofer': { least: 3000, most: 7000 },
  'full range': { least: 7000, most: 14_000 },
  tweeter: { least: 20_000, most: 30_000 },
};

/**
 * How much of its coil's inductance is missed straight before a cone: it takes current away, and the cone throws what is left more and more to the front
 * (from memory). A share of the inductance.
 */
export const MISSED_INDUCTANCE: Between = { least: 0, most: 0.5 };

export type Cone = {
  readonly kind: DriverKind;
  readonly driver: Driver;
  /** Where its upper end lies. */
  readonly endHz: number;
  /** The share of its inductance that counts, from 0 to 1. */
  readonly missed: number;
};

/**
 * @param out told the pressure that one volt at the driver gives, against what its sensitivity says
 */
export function driverSound({ kind, driver, endHz, missed }: Cone, hz: number, out: Complex): void {
  conePressure(driver, missed, hz, out);
  const x = hz / endHz;
  // 1 / (1 + jx)²
  const [re, im] = [1 - x * x, 2 * x];
  const size = re * re + im * im;
  const [cone, around] = [out.re, out.im];
  out.re = (cone * re + around * im) / size;
  out.im = (around * re - cone * im) / size;
  if (kind !== 'coaxial') return;
  // Its own tweeter, turned round as one of second order is: −(jx)² / (1 + jx)². Both together are level (Linkwitz, JAES 1976, from memory).
  out.re += (x * x * re) / size;
  out.im -= (x * x * im) / size;
}
