/**
 * What a car makes of a speaker on the way to the driver's seat, as ranges: all of it from memory, and none of it measured in this car. What is the same
 * before and after the work has no part in what changes.
 */
import type { Between } from '../channel/electrics';

export const SEAT = {
  /** From a speaker to the ear. */
  distanceM: { least: 0.7, most: 1.6 },
  /** Below it the car is a closed room that is small against the wave, and lifts. */
  liftHz: { least: 50, most: 90 },
  /** With each octave below it; a room without a leak would give 12. */
  liftDbPerOctave: { least: 3, most: 9 },
  /** What is thrown back lifts here and takes away there. */
  rippleDb: { least: 0, most: 5 },
  /** How often in an octave. */
  ripplesPerOctave: { least: 0.7, most: 2 },
  /** What a speaker loses with each octave above 2 kHz for pointing past the ear, and through its grille. */
  pastTheEarDbPerOctave: { least: 0, most: 2 },
} as const satisfies Readonly<Record<string, Between>>;

const PAST_FROM_HZ = 2000;

export type Cabin = {
  readonly liftHz: number;
  readonly liftDbPerOctave: number;
  readonly rippleDb: number;
  readonly ripplesPerOctave: number;
  /** From 0 to 1. */
  readonly ripplePhase: number;
};
/** A speaker's way to the ear. */
export type Way = { readonly distanceM: number; readonly pastTheEarDbPerOctave: number };

/** dB, of all that plays. */
export function cabinDb(
  { liftHz, liftDbPerOctave, rippleDb, ripplesPerOctave, ripplePhase }: Cabin,
  hz: number,
): number {
  const ripple = rippleDb * Math.sin(2 * Math.PI * (ripplesPerOctave * Math.log2(hz) + ripplePhase));
  return ripple + liftDbPerOctave * Math.max(0, Math.log2(liftHz / hz));
}

/** dB, against 1 m straight before it. */
export function wayDb({ distanceM, pastTheEarDbPerOctave }: Way, hz: number): number {
  return -20 * Math.log10(distanceM) - pastTheEarDbPerOctave * Math.max(0, Math.log2(hz / PAST_FROM_HZ));
}
