/**
 * A driver's equivalent circuit from what is known of it, and how far each figure of it may be off. Where nobody says a figure, what is
 * usual for its kind stands in its place, with a doubt that holds most of that kind.
 */
import { HEALTHY_RATIOS } from '../judgeCoil';
import type { Driver } from '../network/parts';

export type DriverKind = 'coaxial' | 'component woofer' | 'full range' | 'tweeter';

/** Null for what nobody says. */
export type Electrics = {
  readonly nominalOhm: number | null;
  /** Of the coil at direct current. */
  readonly coilOhm: number | null;
  readonly coilMh: number | null;
  readonly resonanceHz: number | null;
  readonly totalQ: number | null;
};

/** A figure that lies anywhere from `least` to `most`, each as likely (JCGM 100:2008, 4.3.7). */
export type Between = { readonly least: number; readonly most: number };

/** Each figure of a driver's circuit as a range. */
export type DriverRanges = {
  readonly coilOhm: Between;
  readonly coilHenry: Between;
  readonly resonanceHz: Between;
  readonly mechanicalQ: Between;
  readonly electricalQ: Between;
};

/**
 * Of the nominal value, where nobody read the coil. IEC 60268-5 lets no impedance lie below 80 % of the rated value; the least lies 1 to 4 %
 * above the coil (from memory), and healthy coils end at the nominal value.
 */
const COIL_SHARE: Between = { least: 0.797, most: 0.98 * HEALTHY_RATIOS.most };
/** By how much a piece differs from its maker's figure (from memory: 5 % of a coil, 15 % of a resonance, 20 % of a Q and of an inductance). */
const SPREAD = { coil: 0.05, inductance: 0.2, resonance: 0.15, q: 0.2 } as const;
/** What is usual (from memory). A coaxial's tweeter bridges its coil's inductance; a tweeter's is hardly any. */
const USUAL: Readonly<Record<DriverKind, { readonly mh: Between; readonly hz: Between; readonly totalQ: Between }>> = {
  coaxial: { mh: { least: 0.05, most: 0.3 }, hz: { least: 55, most: 110 }, totalQ: { least: 0.5, most: 1 } },
  'component woofer': { mh: { least: 0.2, most: 0.8 }, hz: { least: 45, most: 90 }, totalQ: { least: 0.4, most: 0.9 } },
  'full range': { mh: { least: 0.1, most: 0.5 }, hz: { least: 65, most: 150 }, totalQ: { least: 0.5, most: 1.2 } },
  tweeter: { mh: { least: 0.01, most: 0.06 }, hz: { least: 800, most: 2200 }, totalQ: { least: 0.6, most: 1.5 } },
};
/** Of the suspension alone (from memory). */
const MECHANICAL_Q: Between = { least: 2.5, most: 6 };

/** @returns null where neither its coil nor its nominal value is known: nothing can be said of it */
export function driverRanges(kind: DriverKind, electrics: Electrics): DriverRanges | null {
  const { nominalOhm, coilOhm, coilMh, resonanceHz, totalQ } = electrics;
  const coil =
    coilOhm !== null ? about(coilOhm, SPREAD.coil) : nominalOhm === null ? null : scaled(COIL_SHARE, nominalOhm);
  if (!coil) return null;
  const usual = USUAL[kind];
  const whole = totalQ === null ? usual.totalQ : about(totalQ, SPREAD.q);
  return {
    coilOhm: coil,
    coilHenry: scaled(coilMh === null ? usual.mh : about(coilMh, SPREAD.inductance), 1e-3),
    resonanceHz: resonanceHz === null ? usual.hz : about(resonanceHz, SPREAD.resonance),
    mechanicalQ: {
      least: Math.max(MECHANICAL_Q.least, 1.1 * whole.least),
      most: Math.max(MECHANICAL_Q.most, 1.5 * whole.most),
    },
    electricalQ: {
      least: electricalQ(whole.least, middle(MECHANICAL_Q)),
      most: electricalQ(whole.most, middle(MECHANICAL_Q)),
    },
  };
}

/** The driver at a place in each range. @param at five shares from 0 to 1, as the fields of the ranges come */
export function driverAt(ranges: DriverRanges, at: readonly [number, number, number, number, number]): Driver {
  const coilOhm = within(ranges.coilOhm, at[0]);
  const q = within(ranges.mechanicalQ, at[3]);
  return {
    coilOhm,
    coilHenry: within(ranges.coilHenry, at[1]),
    // What the suspension and the coil's own braking are to each other stands as a peak above the coil: Res = Re Qms / Qes.
    resonance: { hz: within(ranges.resonanceHz, at[2]), peakOhm: (coilOhm * q) / within(ranges.electricalQ, at[4]), q },
  };
}

export function likelyDriver(ranges: DriverRanges): Driver {
  return driverAt(ranges, [0.5, 0.5, 0.5, 0.5, 0.5]);
}

/** Standard uncertainty of a range, as a share of its middle. */
export function relativeUncertainty({ least, most }: Between): number {
  return (most - least) / (most + least) / Math.sqrt(3);
}

/** 1/Qts = 1/Qms + 1/Qes; a Qts at or above Qms can be no driver's, and is taken as just below it. */
function electricalQ(totalQ: number, mechanicalQ: number): number {
  const most = Math.min(totalQ, 0.9 * mechanicalQ);
  return (most * mechanicalQ) / (mechanicalQ - most);
}

function about(value: number, share: number): Between {
  return { least: value * (1 - share), most: value * (1 + share) };
}

function scaled({ least, most }: Between, by: number): Between {
  return { least: least * by, most: most * by };
}

function middle({ least, most }: Between): number {
  return (least + most) / 2;
}

/** @param at from 0 to 1 */
export function within({ least, most }: Between, at: number): number {
  return least + (most - least) * at;
}
