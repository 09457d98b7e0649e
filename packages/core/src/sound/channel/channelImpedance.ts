/**
 * What a channel's amplifier sees, with its doubt. How far the least impedance may be off follows from how far each driver may be: for a
 * network of passive two-poles the input admittance changes by the square of the voltage across a part times the change of that part's own
 * admittance (Tellegen's theorem; Director and Rohrer, The Generalized Adjoint Network, IEEE Trans. Circuit Theory 1969, from memory), so
 * that one solution gives the share of every driver.
 */
import { coverageFactor } from '../../uncertainty';
import { bandOf } from '../bands';
import { admittance, type Complex, type Driver, type NetworkPart } from '../network/parts';
import { audibleFrequencies, type ComplexColumn, type Solved, solveNetwork } from '../network/solveNetwork';
import {
  channelLadders,
  coilMates,
  driverId,
  type Joined,
  type KnownLoad,
  SOURCE,
  type Taken,
  USUAL_FARAD,
} from './channelNetwork';
import { driverAt, likelyDriver, relativeUncertainty } from './electrics';
import { channelSizes } from './ladderImpedance';
import { latticePlaces } from './lattice';

export type LeastImpedance = {
  /** The middle of the interval in which it lies. */
  readonly ohm: number;
  /** Where it is likely to lie. */
  readonly hz: number;
  /** Half of the interval. */
  readonly expandedOhm: number;
};

/** 24 to the octave: a notch of a second-order filter is not missed. */
const FREQUENCIES = audibleFrequencies(24);
/** Of each draw: it counts how deep, not where. */
const COARSE = audibleFrequencies(8);
const LEAST_DRAWS = 256;
/** Of so few draws the outermost are taken a little further out than the share says, to the cautious side. */
const CAUTION = 0.6;
const ALL_RECTANGULAR = 1;

/**
 * The least of |Z|, with its interval. Of bare drivers it moves with their coils, and each one's share is told by one solution. Behind capacitors
 * and coils it moves with every figure: there it is drawn. Where nobody looked for a capacitor, the graver of the two is meant.
 *
 * @param loads at least one
 * @param confidence one-sided, between 0.5 and 1 exclusive
 */
export function leastChannelImpedance(loads: readonly KnownLoad[], joined: Joined, confidence: number): LeastImpedance {
  const key = JSON.stringify([
    loads.map(({ load: { before, line, crossover, electrics }, ranges }) => [
      before,
      line,
      crossover,
      electrics,
      ranges,
    ]),
    joined,
    confidence,
  ]);
  const found = kept.get(key);
  if (found) return found;
  const without = leastWhere(loads, joined, confidence, false);
  const isNotLooked = loads.some(({ load: { before } }) => before.kind === 'notLooked');
  const withOne = isNotLooked ? leastWhere(loads, joined, confidence, true) : without;
  const least = withOne.ohm - withOne.expandedOhm < without.ohm - without.expandedOhm ? withOne : without;
  if (kept.size >= MOST_KEPT) kept.clear();
  kept.set(key, least);
  return least;
}

/** What was drawn for a channel is the same until something on it changes: a car's other channels are not drawn again. */
const kept = new Map<string, LeastImpedance>();
const MOST_KEPT = 200;

function leastWhere(loads: readonly KnownLoad[], joined: Joined, confidence: number, isThere: boolean): LeastImpedance {
  const { ohm, hz, uncertaintyOhm } = leastByShares(loads, joined, isThere);
  const isBare = ({ load: { before, line, crossover } }: KnownLoad) =>
    line === null && crossover === null && (before.kind === 'nothing' || (before.kind === 'notLooked' && !isThere));
  if (loads.every(isBare)) {
    const factor = coverageFactor(confidence, null, loads.length === 1 ? ALL_RECTANGULAR : 0);
    return { ohm, hz, expandedOhm: uncertaintyOhm * factor };
  }
  const taken = (place: number) => ({ farad: faradAt(place), isThere });
  const drawn = draws(loads, joined, LEAST_DRAWS, COARSE, taken, asSold).map((each) =>
    each.reduce((a, b) => Math.min(a, b)),
  );
  const sorted = Float64Array.from(drawn).sort();
  const beyond = Math.floor(CAUTION * (1 - confidence) * LEAST_DRAWS);
  const [lower, upper] = [sorted[beyond] as number, sorted[LEAST_DRAWS - 1 - beyond] as number];
  return { ohm: (lower + upper) / 2, hz, expandedOhm: (upper - lower) / 2 };
}

/** A set is sold as the load that it comes down to, its resonances counted (IEC 60268-5, of the system): the least is its coils' alone. */
function asSold({ load: { crossover } }: KnownLoad, driver: Driver): Driver {
  return crossover !== null && crossover.isOfSet !== false ? { ...driver, resonance: null } : driver;
}

/** The least as it is likely, and its standard uncertainty by the drivers' coils alone. */
export function leastByShares(
  loads: readonly KnownLoad[],
  joined: Joined,
  isThere = false,
): { readonly ohm: number; readonly hz: number; readonly uncertaintyOhm: number } {
  const ladders = channelLadders(
    loads,
    loads.map((load) => asSold(load, likelyDriver(load.ranges))),
    joined,
    loads.map(() => ({ farad: faradAt(0.5), isThere })),
  );
  const sizes = channelSizes(ladders, joined, FREQUENCIES);
  const at = sizes.reduce((least, size, each) => (size < (sizes[least] as number) ? each : least), 0);
  const hz = FREQUENCIES[at] as number;
  // The voltage at each driver is wanted at this one frequency alone.
  const parts = ladders.flat();
  const solved = solvedOf(parts, Float64Array.of(hz));
  const shares = loads.map(({ ranges }, each) => {
    const part = parts.find(({ id }) => id === driverId(each)) as NetworkPart;
    return slopeOf(part, solved) * relativeUncertainty(ranges.coilOhm);
  });
  return { ohm: sizes[at] as number, hz, uncertaintyOhm: Math.hypot(...shares) };
}

/** By how much |Z| changes where the part's impedance is one whole larger, Ω; of a network solved at one frequency. */
function slopeOf(part: NetworkPart, { frequenciesHz, impedance, across }: Solved): number {
  admittance(part, 2 * Math.PI * (frequenciesHz[0] as number), Y);
  const v = complexAt(across.get(part.id) as ComplexColumn, 0);
  const z = complexAt(impedance, 0);
  // dZ = Z² V² Y, and of |Z| what of it points along Z.
  const change = times(times(z, z), times(times(v, v), Y));
  return (change.re * z.re + change.im * z.im) / Math.hypot(z.re, z.im);
}

const Y: Complex = { re: 0, im: 0 };

export type ImpedanceBand = {
  readonly frequenciesHz: Float64Array;
  /** Of |Z|, Ω: what is likely, and where 95 in 100 lie. */
  readonly likelyOhm: Float64Array;
  readonly lowerOhm: Float64Array;
  readonly upperOhm: Float64Array;
};

const DRAWS = 2000;
/** Five of its driver, and what stands before it. */
const FIGURES_A_LOAD = 6;
/** 12 to the octave: enough to draw. */
const DRAWN = audibleFrequencies(12);

/**
 * The channel's impedance over frequency with the band in which 95 in 100 of such channels lie, at each frequency by itself: by drawing, for
 * a resonance that may be anywhere is no small change. The draws are those of a lattice, the same for the same loads, and cover the ranges evenly.
 */
export function impedanceBand(loads: readonly KnownLoad[], joined: Joined): ImpedanceBand {
  const likely = channelSizes(
    channelLadders(
      loads,
      loads.map(({ ranges }) => likelyDriver(ranges)),
      joined,
      loads.map(() => takenAt(LIKELY)),
    ),
    joined,
    DRAWN,
  );
  const { lower, upper } = bandOf(draws(loads, joined, DRAWS, DRAWN, takenAt));
  return { frequenciesHz: DRAWN, likelyOhm: likely, lowerOhm: lower, upperOhm: upper };
}

/** Of |Z| of so many channels, each at every frequency, Ω. */
function draws(
  loads: readonly KnownLoad[],
  joined: Joined,
  count: number,
  frequenciesHz: Float64Array,
  taken: (place: number) => Taken,
  as: (load: KnownLoad, driver: Driver) => Driver = (_load, driver) => driver,
): readonly Float64Array[] {
  const mates = coilMates(loads);
  return latticePlaces(loads.length * FIGURES_A_LOAD, count).map((places) => {
    const place = (load: number, figure: number) => places[load * FIGURES_A_LOAD + figure] as number;
    const drivers = loads.map((load, each) => {
      const coil = place(mates[each] as number, 0);
      return as(load, driverAt(load.ranges, [coil, place(each, 1), place(each, 2), place(each, 3), place(each, 4)]));
    });
    const before = loads.map((_load, each) => taken(place(each, 5)));
    return channelSizes(channelLadders(loads, drivers, joined, before), joined, frequenciesHz);
  });
}

/** A capacitor of middling size, where there is one. */
const LIKELY = 0.75;

/** Where nobody looked, a capacitor is there as likely as not, of any usual size. @param place from 0 to 1 */
export function takenAt(place: number): Taken {
  return { farad: faradAt((place * 2) % 1), isThere: place >= 0.5 };
}

function faradAt(place: number): number {
  return USUAL_FARAD.least + (USUAL_FARAD.most - USUAL_FARAD.least) * place;
}

function solvedOf(parts: readonly NetworkPart[], frequenciesHz: Float64Array): Solved {
  const solved = solveNetwork(parts, SOURCE, frequenciesHz);
  if (!solved.ok) throw new Error(`channelImpedance: expected a network that can be solved, got: ${solved.failure}`);
  return solved.value;
}

function complexAt({ re, im }: ComplexColumn, at: number): Complex {
  return { re: re[at] as number, im: im[at] as number };
}

function times(a: Complex, b: Complex): Complex {
  return { re: a.re * b.re - a.im * b.im, im: a.re * b.im + a.im * b.re };
}
