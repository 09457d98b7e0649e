/**
 * What an ohmmeter tells of an old speaker's voice coil.
 *
 * The resistance of a good coil lies below the nominal impedance: IEC 60268-5 lets the lowest impedance be 80 % of the rated value, and
 * the coil's resistance is lower still. 70 to 100 % of the nominal value counts as healthy (common practice, no source for the 70). The
 * other school ("a 4 ohm speaker reads 4, give or take 0.2") calls most healthy speakers dead; it is told, and not judged by.
 */
import type { OhmReading } from './readOhms';

/** From and to which share of the nominal value a coil is healthy, both included. */
export const HEALTHY_RATIOS = { least: 0.7, most: 1 } as const;
/** Nominal values that speakers are sold with, ohm. */
export const NOMINAL_OHMS = [2, 3, 4, 6, 8, 16] as const;

/** Less is a short, whatever the nominal value: leads and probes alone show as much, ohm. */
const SHORT_OHM = 0.5;
/** More is no voice coil: an open one, read on a higher range, ohm. */
const OPEN_OHM = 100;
/** Readings that differ by more than this share of their mean, and by more than a display's last digit, do not stand still. */
const UNSTEADY_RATIO = 0.1;
const UNSTEADY_OHM = 0.2;
/** How far the other school lets a reading lie from the nominal value, ohm. */
const OTHER_SCHOOL_OHM = 0.2;
/** A meter that reads a speaker of known value wrong by more than this share of it, and by more than a display's last digits, is not believed. */
const CONTROL_RATIO = 0.1;
const CONTROL_OHM = 0.2;
/** A limit is met exactly also where the figures are binary. */
const ROUNDING = 1e-9;

export type CoilTest = {
  readonly readings: readonly OhmReading[];
  /** What the meter shows with its probes held together, taken off each reading, ohm. */
  readonly leadOhm: number;
  /** Null where nothing on the speaker says it. */
  readonly nominalOhm: number | null;
  /** Whether a capacitor lies between the terminals and the coil, as at most factory tweeters. */
  readonly capacitor: 'yes' | 'no' | 'notLooked';
  /** Another speaker whose coil is known, read by the same meter; null for what nobody did or knows, ohm. */
  readonly control: { readonly knownOhm: number | null; readonly readOhm: number | null };
};

export type CoilJudgement =
  /** Nobody has read it: it is assumed, whatever it is counted as. */
  | { readonly kind: 'unread' }
  /** The same meter reads a known coil wrong: nothing that it says counts. */
  | { readonly kind: 'meterInDoubt'; readonly knownOhm: number; readonly readOhm: number }
  /** No way through the coil. `slip`: the figure looks like ohms and has a kilo or mega before them. */
  | { readonly kind: 'open'; readonly slip: boolean }
  /** A capacitor lets no meter through: nothing is said of the coil. */
  | { readonly kind: 'behindCapacitor' }
  /** As `open`, where nobody has looked for a capacitor. */
  | { readonly kind: 'openOrCapacitor'; readonly slip: boolean }
  | { readonly kind: 'shorted'; readonly ohm: number }
  | { readonly kind: 'unsteady' }
  /** Within the healthy share of the nominal value; `otherSchool` would call it dead. */
  | {
      readonly kind: 'plausible';
      readonly ohm: number;
      readonly nominalOhm: number;
      readonly otherSchoolFails: boolean;
    }
  /** Healthy as one of these, of which none is known to be its nominal value. */
  | { readonly kind: 'proposes'; readonly ohm: number; readonly nominalOhms: readonly number[] }
  /** Outside the healthy share; as one of these it would be within. */
  | {
      readonly kind: 'doubtful';
      readonly ohm: number;
      readonly nominalOhm: number | null;
      readonly nominalOhms: readonly number[];
    };

/**
 * @returns what the readings come to, in the order meter in doubt, open, shorted, unsteady, healthy; figures in ohm after the leads are taken
 *   off
 */
export function judgeCoil({ readings, leadOhm, nominalOhm, capacitor, control }: CoilTest): CoilJudgement {
  if (readings.length === 0) return { kind: 'unread' };
  const { knownOhm, readOhm } = control;
  if (knownOhm !== null && readOhm !== null && isReadWrong(knownOhm, Math.max(0, readOhm - leadOhm)))
    return { kind: 'meterInDoubt', knownOhm, readOhm };
  const open = readings.filter((reading) => reading.kind === 'over' || reading.ohm >= OPEN_OHM);
  if (open.length > 0 && open.length < readings.length) return { kind: 'unsteady' };
  if (open.length > 0) return openCoil(open, capacitor);
  const figures = readings.flatMap((reading) => (reading.kind === 'ohm' ? Math.max(0, reading.ohm - leadOhm) : []));
  const ohm = figures.reduce((sum, each) => sum + each, 0) / figures.length;
  const spread = Math.max(...figures) - Math.min(...figures);
  if (spread > UNSTEADY_OHM + ROUNDING && spread > UNSTEADY_RATIO * ohm + ROUNDING) return { kind: 'unsteady' };
  if (ohm < SHORT_OHM) return { kind: 'shorted', ohm };
  const nominalOhms = NOMINAL_OHMS.filter((nominal) => isHealthy(ohm, nominal));
  if (nominalOhm === null)
    return nominalOhms.length > 0
      ? { kind: 'proposes', ohm, nominalOhms }
      : { kind: 'doubtful', ohm, nominalOhm, nominalOhms };
  if (!isHealthy(ohm, nominalOhm)) return { kind: 'doubtful', ohm, nominalOhm, nominalOhms };
  const otherSchoolFails = Math.abs(ohm - nominalOhm) > OTHER_SCHOOL_OHM + ROUNDING;
  return { kind: 'plausible', ohm, nominalOhm, otherSchoolFails };
}

function isReadWrong(knownOhm: number, ohm: number): boolean {
  return Math.abs(ohm - knownOhm) > Math.max(CONTROL_OHM, CONTROL_RATIO * knownOhm) + ROUNDING;
}

function openCoil(open: readonly OhmReading[], capacitor: CoilTest['capacitor']): CoilJudgement {
  if (capacitor === 'yes') return { kind: 'behindCapacitor' };
  const slip = open.some((reading) => reading.kind === 'ohm');
  return { kind: capacitor === 'no' ? 'open' : 'openOrCapacitor', slip };
}

function isHealthy(ohm: number, nominalOhm: number): boolean {
  const ratio = ohm / nominalOhm;
  return ratio >= HEALTHY_RATIOS.least - ROUNDING && ratio <= HEALTHY_RATIOS.most + ROUNDING;
}

/** Whether nothing is known of the coil: nobody read it, or with a meter that is not believed. */
export function isCoilUnknown({ kind }: CoilJudgement): boolean {
  return kind === 'unread' || kind === 'meterInDoubt';
}

/** Whether the coil itself is found dead: a reason for another speaker. */
export function isCoilDead({ kind }: CoilJudgement): boolean {
  return kind === 'open' || kind === 'shorted';
}
