/** The network that one channel drives, from what hangs on it. */
import { isEmptyFilter, type LineFilter, lineParts } from '../filter/LineFilter';
import type { Driver, NetworkPart } from '../network/parts';
import { GROUND } from '../network/solveNetwork';
import { type Between, type DriverKind, type DriverRanges, driverRanges, type Electrics } from './electrics';
import { type Corner, highPassParts, lowPassParts } from './ladder';

/** What stands before a driver on its channel. `notLooked`: nobody knows whether a capacitor lies there. */
export type Before =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'notLooked' }
  /** Null where it is there and nobody read it. */
  | { readonly kind: 'capacitor'; readonly farad: number | null }
  | { readonly kind: 'filter'; readonly highPass: Corner | null; readonly lowPass: Corner | null };

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
  loads: readonly KnownLoad[],
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
  if (load.line === null || isEmptyFilter(load.line)) return drivenParts(load, at, driver, from, to, taken);
  const behind = `behind line ${at}`;
  return [
    ...lineParts(load.line, { id: `line ${at}`, from, to: behind, ground: to }),
    ...drivenParts(load, at, driver, behind, to, taken),
  ];
}

function drivenParts(
  { before, electrics }: ChannelLoad,
  at: number,
  driver: Driver,
  from: string,
  to: string,
  taken: Taken,
): readonly NetworkPart[] {
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
  const ohm = electrics.nominalOhm ?? driver.coilOhm;
  const { highPass, lowPass } = before;
  const middle = highPass && lowPass ? `in filter ${at}` : own;
  return [
    ...(highPass ? highPassParts({ id: `high-pass ${at}`, from, to: middle, ground: to, ohm }, highPass) : []),
    ...(lowPass
      ? lowPassParts({ id: `low-pass ${at}`, from: highPass ? middle : from, to: own, ground: to, ohm }, lowPass)
      : []),
    cone,
  ];
}
