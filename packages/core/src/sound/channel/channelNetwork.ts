/** The network that one channel drives, from what hangs on it. */
import { isEmptyFilter, type LineFilter, lineParts } from '../filter/LineFilter';
import type { Driver, NetworkPart } from '../network/parts';
import { GROUND } from '../network/solveNetwork';
import { type Between, type DriverKind, type DriverRanges, driverRanges, type Electrics } from './electrics';
import { type Corner, highPassParts, type LadderEnds, lowPassParts } from './ladder';

/** What stands before a driver on its channel. `notLooked`: nobody knows whether a capacitor lies there. */
export type Before =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'notLooked' }
  /** Null where it is there and nobody read it. */
  | { readonly kind: 'capacitor'; readonly farad: number | null }
  | { readonly kind: 'filter'; readonly highPass: Corner | null; readonly lowPass: Corner | null };

/** The output of a crossover that feeds a speaker. */
export type FromCrossover = {
  /** The crossover's. */
  readonly name: string;
  /** Whether it was made for the very speakers that it feeds; null where nobody said. */
  readonly isOfSet: boolean | null;
  readonly to: 'tweeter' | 'midrange' | 'woofer';
  /** Null where nobody wrote down what it lets pass. */
  readonly filter: { readonly highPass: Corner | null; readonly lowPass: Corner | null } | null;
};

/** One speaker on a channel. */
export type ChannelLoad = {
  /** Where it is, which is its name in every sentence. */
  readonly label: string;
  /** Null where nobody knows what it is. */
  readonly kind: DriverKind | null;
  readonly electrics: Electrics;
  readonly before: Before;
  /** What this job puts into its line, before all that. */
  readonly line: LineFilter | null;
  /** What feeds it before its line; null where the channel does. */
  readonly crossover: FromCrossover | null;
  /** Whether it comes with this job; one that is there already stays. */
  readonly isNew: boolean;
  /** Whether its wire has to pass a hinge. */
  readonly isInDoor: boolean;
  /** What it stands; null where nobody says RMS. */
  readonly rmsW: number | null;
  readonly sensitivity: { readonly db: number; readonly at: '1 W' | '2.83 V' | 'notStated' } | null;
};

export type Joined = 'parallel' | 'series';

/** A load whose driver can be worked out. */
export type KnownLoad = { readonly load: ChannelLoad; readonly ranges: DriverRanges };

/** A factory tweeter's capacitor, where nobody read it (from memory). */
export const USUAL_FARAD: Between = { least: 3.3e-6, most: 10e-6 };

/** What is taken where nobody looked: of a capacitor that nobody read its value, and whether there is one at all. */
export type Taken = { readonly farad: number; readonly isThere: boolean };

/** @returns the loads of which nobody knows the impedance apart */
export function knownLoads(loads: readonly ChannelLoad[]): {
  readonly known: readonly KnownLoad[];
  readonly unknown: readonly ChannelLoad[];
} {
  const known: KnownLoad[] = [];
  const unknown: ChannelLoad[] = [];
  for (const load of loads) {
    const ranges = load.kind === null ? null : driverRanges(load.kind, load.electrics);
    if (ranges) known.push({ load, ranges });
    else unknown.push(load);
  }
  return { known, unknown };
}

export const SOURCE = 'channel';

/**
 * The network of a channel, load by load: each from its source on, its driver last.
 *
 * @param drivers one for each load
 * @param taken one for each load
 */
export function channelLadders(
  loads: readonly Pick<KnownLoad, 'load'>[],
  drivers: readonly Driver[],
  joined: Joined,
  taken: readonly Taken[],
): readonly (readonly NetworkPart[])[] {
  return loads.map(({ load }, at) => {
    const [from, to] =
      joined === 'parallel'
        ? [SOURCE, GROUND]
        : [seriesNode(at), at === loads.length - 1 ? GROUND : seriesNode(at + 1)];
    return loadParts(load, at, drivers[at] as Driver, from, to, taken[at] as Taken);
  });
}

function seriesNode(at: number): string {
  return at === 0 ? SOURCE : `between ${at}`;
}

/** What its driver is called in the network. */
export function driverId(at: number): string {
  return `driver ${at}`;
}

function loadParts(
  load: ChannelLoad,
  at: number,
  driver: Driver,
  from: string,
  to: string,
  taken: Taken,
): readonly NetworkPart[] {
  const { crossover, line } = load;
  const cone = crossover === null || crossover.isOfSet === false ? driver : asCompensated(driver, crossover);
  const output = `output ${at}`;
  const crossed = crossover === null ? [] : crossoverParts(crossover, ohmOf(load, cone), at, from, output, to, taken);
  const behind = crossed.length === 0 ? from : output;
  if (line === null || isEmptyFilter(line)) return [...crossed, ...drivenParts(load, at, cone, behind, to, taken)];
  const lined = `behind line ${at}`;
  return [
    ...crossed,
    ...lineParts(line, { id: `line ${at}`, from: behind, to: lined, ground: to }),
    ...drivenParts(load, at, cone, lined, to, taken),
  ];
}

/** Of an output whose filter nobody wrote down a tweeter is taken to be behind a capacitor of a usual size, and another driver to be fed as it is. */
function crossoverParts(
  { to, filter }: FromCrossover,
  ohm: number,
  at: number,
  from: string,
  output: string,
  ground: string,
  taken: Taken,
): readonly NetworkPart[] {
  if (filter !== null) return filterParts(filter, { id: `crossover ${at}`, from, to: output, ground, ohm });
  return to === 'tweeter' ? [{ id: `crossover ${at}`, from, to: output, kind: 'capacitor', farad: taken.farad }] : [];
}

function filterParts(
  { highPass, lowPass }: NonNullable<FromCrossover['filter']>,
  { id, from, to, ground, ohm }: LadderEnds,
): readonly NetworkPart[] {
  const middle = highPass && lowPass ? `in ${id}` : to;
  return [
    ...(highPass ? highPassParts({ id: `${id} high-pass`, from, to: middle, ground, ohm }, highPass) : []),
    ...(lowPass
      ? lowPassParts({ id: `${id} low-pass`, from: highPass ? middle : from, to, ground, ohm }, lowPass)
      : []),
  ];
}

/**
 * The crossover of a set is made for its own speakers: what their inductance, and the tweeter's resonance, would do to its filters its maker has
 * evened out, so that the set as a whole is the load that is printed on it (IEC 60268-5, of the system). A textbook's ladder of the same corners into
 * the bare speakers would dip to half of that, and one that is made for no speaker in particular does.
 */
function asCompensated(driver: Driver, { filter }: FromCrossover): Driver {
  const resonance = filter?.highPass ? null : driver.resonance;
  return { coilOhm: LEAST_OVER_COIL * driver.coilOhm, coilHenry: 0, resonance };
}

/** What a driver's impedance comes down to, over its coil: 1 to 4 % more (from memory). */
const LEAST_OVER_COIL = 1.01;

/** Speakers of one set are sold as one load: their coils are on the low side together, or on the high. @returns of each load, whose coil it goes with */
export function coilMates(loads: readonly KnownLoad[]): readonly number[] {
  const setOf = ({ load: { crossover } }: KnownLoad) =>
    crossover && crossover.isOfSet !== false ? crossover.name : null;
  return loads.map((load, at) => {
    const set = setOf(load);
    return set === null ? at : loads.findIndex((each) => setOf(each) === set);
  });
}

/** What a filter before it is made for: what is printed, or of a set the very coil. */
function ohmOf({ electrics, crossover }: ChannelLoad, driver: Driver): number {
  return crossover !== null && crossover.isOfSet !== false ? driver.coilOhm : (electrics.nominalOhm ?? driver.coilOhm);
}

function drivenParts(
  load: ChannelLoad,
  at: number,
  driver: Driver,
  from: string,
  to: string,
  taken: Taken,
): readonly NetworkPart[] {
  const { before } = load;
  const own = `at driver ${at}`;
  const cone: NetworkPart = { id: driverId(at), from: own, to, kind: 'driver', driver };
  const farad =
    before.kind === 'capacitor'
      ? (before.farad ?? taken.farad)
      : before.kind === 'notLooked' && taken.isThere
        ? taken.farad
        : null;
  if (farad !== null) return [{ id: `capacitor ${at}`, from, to: own, kind: 'capacitor', farad }, cone];
  // A filter of which neither corner is there leads through.
  if (before.kind !== 'filter' || (!before.highPass && !before.lowPass)) return [{ ...cone, from }];
  return [...filterParts(before, { id: `filter ${at}`, from, to: own, ground: to, ohm: ohmOf(load, driver) }), cone];
}
