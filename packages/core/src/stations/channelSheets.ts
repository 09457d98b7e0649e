/**
 * What hangs on each channel of a car, and how it is judged: the vehicle's channels with the speakers that are chosen for its openings, or
 * that are there and stay.
 */
import type { OpeningState, Plays } from '../contracts/jobs';
import {
  type Channel,
  coilOf,
  isBehindHinge,
  type JobFacts,
  knownFact,
  type OpeningRecord,
  placeLabel,
  type VehicleRecord,
} from '../model';
import {
  type Before,
  type ChannelCheck,
  type ChannelLoad,
  type FromCrossover,
  type JudgedChannel,
  judgeChannel,
} from '../sound';
import { type CrossedPlace, isOnMakersAmplifier, type PlannedChannel, plannedChannels } from './plannedChannels';

/** What of an opening its channel is judged by. */
export type ChannelOpening = {
  readonly id: string;
  readonly record: Pick<
    OpeningRecord,
    'place' | 'side' | 'name' | 'presence' | 'nominalSize' | 'oldSpeaker' | 'lineFilter'
  >;
  readonly state: OpeningState;
};

/** With what is chosen for it, or may be. */
export type PlayingOpening = Omit<ChannelOpening, 'state'> & {
  readonly state:
    | { readonly kind: 'chosen'; readonly plays: Plays | null }
    | { readonly kind: Exclude<OpeningState['kind'], 'chosen'> };
};

export type ChannelSheet = {
  /** Its place in the list, from 1: two may have one name. */
  readonly number: number;
  /** As it will be fed: past the maker's amplifier, where that is bypassed. */
  readonly record: Channel;
  /** As the car came. */
  readonly isOnMakersAmplifier: boolean;
  /** Fed past it. */
  readonly isBypassed: boolean;
  /** Of its places, those that a crossover leads to. */
  readonly crossed: readonly CrossedPlace[];
  /** Places that hung on it, and hang on another channel's crossover now: their ends are insulated. */
  readonly takenOff: readonly string[];
  readonly channel: JudgedChannel;
  /** What hung on it in the car as it came. */
  readonly before: Pick<JudgedChannel, 'loads' | 'joined' | 'band'>;
  /** None where all that hung on it was taken off. */
  readonly checks: readonly ChannelCheck[];
  /** Of the openings on it, those whose speaker is new. */
  readonly newOpeningIds: readonly string[];
  /** What it names and the car does not have. */
  readonly unknownPlaces: readonly string[];
};

export type CarChannels =
  | { readonly kind: 'notLooked' }
  | {
      readonly kind: 'known';
      readonly sheets: readonly ChannelSheet[];
      /** Openings with a new speaker that no channel feeds. */
      readonly unfed: readonly PlayingOpening[];
      /** Places that stand on more than one channel. */
      readonly twice: readonly string[];
    };

/** What of a job its channels are judged by. */
export type ChannelJob = Pick<JobFacts, 'found' | 'amplifierPlan' | 'crossovers'> & {
  readonly vehicle: Pick<VehicleRecord, 'channels' | 'facts'>;
};

/** @param confidence one-sided, the shop's, between 0.5 and 1 exclusive */
export function channelSheets(job: ChannelJob, openings: readonly PlayingOpening[], confidence: number): CarChannels {
  const { vehicle, found } = job;
  if (vehicle.channels === null) return { kind: 'notLooked' };
  const byLabel = new Map(openings.map((opening) => [placeLabel(opening.record), opening]));
  const boot = bootOf(knownFact('boot', found, vehicle.facts)?.answer);
  const planned = plannedChannels(job);
  const sheets = planned.map((each, at) => ({ number: at + 1, ...sheetOf(each, byLabel, boot, confidence) }));
  const named = planned.flatMap(({ record: { places } }) => places);
  return {
    kind: 'known',
    sheets,
    unfed: openings.filter(({ record, state }) => state.kind === 'chosen' && !named.includes(placeLabel(record))),
    twice: [...new Set(named.filter((place, at) => named.indexOf(place) !== at))],
  };
}

export function bootOf(answer: string | undefined): JudgedChannel['boot'] {
  return answer === 'open' || answer === 'connector' || answer === 'none' ? answer : null;
}

/** One channel with what hangs on it, as it is judged; without its place in the list. */
export function sheetOf(
  { noted, record, isBypassed, crossed, takenOff }: PlannedChannel,
  byLabel: ReadonlyMap<string, PlayingOpening>,
  boot: JudgedChannel['boot'],
  confidence: number,
): Omit<ChannelSheet, 'number'> {
  const there = record.places.flatMap((place) => byLabel.get(place) ?? []);
  const unknownPlaces = record.places.filter((place) => !byLabel.has(place));
  const { name, band, leastOhm, power, joined, feeds, wire } = record;
  const crossovers = new Set(crossed.map(({ crossover }) => crossover));
  const isOnlyCrossed = crossovers.size === 1 && crossed.length === record.places.length && feeds === '';
  const loads = [
    ...there.flatMap((each) => {
      const load = channelLoadOf(each);
      const from = crossed.find(({ place }) => place === load?.label);
      if (!load || !from) return load ?? [];
      // One behind the other with what is no part of it, a crossover's network is not known.
      if (joined === 'series' && !isOnlyCrossed) return unknownLoad(load.label, load.isNew, load.isInDoor);
      return { ...load, crossover: outputOf(from), isInDoor: isLedIntoDoor(from.crossover, load) };
    }),
    // What is said to hang on it loads it too, whatever it is.
    ...[...unknownPlaces, ...(feeds === '' ? [] : [feeds])].map((each) => unknownLoad(each, false)),
  ];
  const isRadio = record.fedBy === 'radio';
  const channel: JudgedChannel = {
    ...{ name, band, leastOhm, power, loads, isRadio, isNewSource: isBypassed, wire, boot },
    // The outputs of a crossover that is alone on its channel lie side by side, however the car's own speakers did.
    joined: isOnlyCrossed ? 'parallel' : joined,
  };
  return {
    ...{ record, channel, isBypassed, crossed, takenOff, unknownPlaces },
    before: { loads: loadsBefore(noted, byLabel), joined: noted.joined, band: noted.band },
    isOnMakersAmplifier: isOnMakersAmplifier(noted),
    // What nothing hangs on any more is not judged.
    checks: loads.length === 0 && takenOff.length > 0 ? [] : judgeChannel(channel, confidence),
    newOpeningIds: there.filter(({ state }) => state.kind === 'chosen').map(({ id }) => id),
  };
}

function loadsBefore({ places, feeds }: Channel, byLabel: ReadonlyMap<string, PlayingOpening>): readonly ChannelLoad[] {
  return [
    ...places.flatMap((place) => {
      const opening = byLabel.get(place);
      return opening ? (loadBefore(opening.record) ?? []) : unknownLoad(place, false);
    }),
    ...(feeds === '' ? [] : [unknownLoad(feeds, false)]),
  ];
}

/** Whether the channel's own pair passes a hinge: it ends at the box, wherever that lies. */
function isLedIntoDoor({ at }: CrossedPlace['crossover'], load: ChannelLoad): boolean {
  return at === null ? load.isInDoor : at === 'door';
}

function outputOf({ crossover: { name, comes }, output: { to, filter } }: CrossedPlace): FromCrossover {
  return { name, isOfSet: comes === null ? null : comes === 'set', to, filter: filter as FromCrossover['filter'] };
}

/** What an opening is to whatever feeds it; null where there is no speaker, and none is chosen. */
export function channelLoadOf({ record, state }: PlayingOpening): ChannelLoad | null {
  const label = placeLabel(record);
  const atHinge = isBehindHinge(record.place);
  const line = record.lineFilter;
  if (state.kind === 'chosen') return { ...newLoad(label, atHinge, state.plays), line, crossover: null };
  // Something was chosen, and nobody can say what it is to the channel.
  if (state.kind === 'cannotJudge' || state.kind === 'unreadable') return unknownLoad(label, true, atHinge);
  const before = loadBefore(record);
  return before && (before.kind === null ? before : { ...before, line });
}

/** What was there when the car came; null where nothing was. */
function loadBefore(record: ChannelOpening['record']): ChannelLoad | null {
  const [label, atHinge] = [placeLabel(record), isBehindHinge(record.place)];
  if (record.presence === 'fitted') return { ...oldLoad(label, atHinge, record), line: null, crossover: null };
  return record.presence === 'notLooked' ? unknownLoad(label, false, atHinge) : null;
}

const UNSAID = { nominalOhm: null, coilOhm: null, coilMh: null, resonanceHz: null, totalQ: null } as const;

function unknownLoad(label: string, isNew: boolean, isInDoor = false): ChannelLoad {
  const nothing = { electrics: UNSAID, rmsW: null, sensitivity: null } as const;
  return { label, kind: null, before: { kind: 'notLooked' }, line: null, crossover: null, isNew, isInDoor, ...nothing };
}

function newLoad(label: string, atHinge: boolean, plays: Plays | null): Omit<ChannelLoad, 'line' | 'crossover'> {
  if (plays === null) return unknownLoad(label, true, atHinge);
  const { speakerKind, impedanceOhm, coilOhm, coilMh, resonanceHz, totalQ, rmsW, sensitivityDb, sensitivityAt } = plays;
  return {
    label,
    kind: speakerKind,
    electrics: { nominalOhm: impedanceOhm, coilOhm, coilMh, resonanceHz, totalQ },
    before: plays.filter ? { kind: 'filter', ...plays.filter } : { kind: 'nothing' },
    isNew: true,
    isInDoor: atHinge,
    rmsW,
    sensitivity: sensitivityDb === null ? null : { db: sensitivityDb, at: sensitivityAt },
  };
}

/** A factory speaker of this size is a tweeter; a larger one plays all that it is sent. */
const TWEETER_SIZE = '1 in';

function oldLoad(
  label: string,
  atHinge: boolean,
  { nominalSize, oldSpeaker }: ChannelOpening['record'],
): Omit<ChannelLoad, 'line' | 'crossover'> {
  const coil = oldSpeaker && coilOf(oldSpeaker);
  const isTweeter = nominalSize === TWEETER_SIZE;
  return {
    label,
    kind: isTweeter ? 'tweeter' : 'full range',
    electrics: {
      ...UNSAID,
      nominalOhm: oldSpeaker?.nominalOhm ?? null,
      coilOhm: coil?.kind === 'plausible' || coil?.kind === 'proposes' ? coil.ohm : null,
    },
    before: beforeOld(oldSpeaker?.capacitor ?? 'notLooked', isTweeter),
    isNew: false,
    isInDoor: atHinge,
    rmsW: null,
    sensitivity: null,
  };
}

function beforeOld(capacitor: 'yes' | 'no' | 'notLooked', isTweeter: boolean): Before {
  if (capacitor === 'yes') return { kind: 'capacitor', farad: null };
  return capacitor === 'notLooked' && isTweeter ? { kind: 'notLooked' } : { kind: 'nothing' };
}
