/**
 * Cars that may be this one, by drawing: the speakers' circuits, their sensitivities, how far they are from the ear and what the car does on the way. What
 * is the same before and after the work is drawn once for both, and has no part in what changes.
 */
import type { ChannelBand } from '../channel/Channel';
import { takenAt } from '../channel/channelImpedance';
import { type Level, levelOf, USUAL_FACTORY_LEVEL } from '../channel/channelLevels';
import { type ChannelLoad, channelLadders, coilMates, type Joined, type KnownLoad } from '../channel/channelNetwork';
import { type Between, type DriverKind, driverAt, driverRanges, within } from '../channel/electrics';
import { driverVoltages } from '../channel/ladderImpedance';
import type { ComplexColumn } from '../network/solveNetwork';
import { addSound } from './addSound';
import { MISSED_INDUCTANCE, UPPER_END_HZ } from './driverSound';
import { type Cabin, cabinDb, SEAT, type Way } from './seat';
import { type SentBand, sentBand, sentDb } from './sentBand';

export type HeardLoad = {
  readonly load: ChannelLoad;
  /** Whether it is tested which of its wires is positive; otherwise it may be either. */
  readonly isPolarityTested: boolean;
};
export type HeardChannel = {
  readonly loads: readonly HeardLoad[];
  readonly joined: Joined;
  readonly band: ChannelBand;
};

export type DrawnResponse = {
  /** Of each load the voltage at the speaker against the channel's, dB. */
  readonly electrical: readonly Float64Array[];
  /** At the seat for 2.83 V of the channel, dB; null where of something nobody knows how sensitive it is. */
  readonly seat: Float64Array | null;
  readonly before: Float64Array | null;
};

/** What a factory speaker whose ohms nobody read may have as its coil (from memory). It counts little: its voltage is the channel's. */
const USUAL_COIL_OHM: Between = { least: 2.5, most: 7.5 };
const USUAL_NOMINAL_OHM = 4;

/**
 * @param before null where nobody knows what was there
 * @param random uniform from 0 to 1
 * @returns at each frequency; null where of something that plays now nobody knows what it is, or its ohms
 */
export function drawResponses(
  now: HeardChannel,
  before: HeardChannel | null,
  count: number,
  frequenciesHz: Float64Array,
  random: () => number,
): readonly DrawnResponse[] | null {
  const playing = playingOf(now, knownRanges);
  if (!playing) return null;
  const was = before && playingOf(before, rangesOrUsual);
  return Array.from({ length: count }, () => {
    const car = new DrawnCar(random);
    const [channel, earlier] = [car.channel(playing, frequenciesHz), was && car.channel(was, frequenciesHz)];
    return {
      electrical: channel.voltages.map(decibels),
      seat: channel.sound && car.seatDb(channel.sound, now.band, frequenciesHz),
      before: before && earlier?.sound ? car.seatDb(earlier.sound, before.band, frequenciesHz) : null,
    };
  });
}

type Playing = {
  readonly joined: Joined;
  readonly known: readonly KnownLoad[];
  /** Which of them are on the low side together. */
  readonly mates: readonly number[];
  readonly levels: readonly (Level | null)[];
  readonly isPolarityTested: readonly boolean[];
};

function playingOf({ loads, joined }: HeardChannel, rangesOf: typeof knownRanges): Playing | null {
  const known = loads.flatMap(({ load }): KnownLoad[] => {
    const ranges = rangesOf(load);
    return ranges ? [{ load, ranges }] : [];
  });
  if (known.length === 0 || known.length < loads.length) return null;
  return {
    joined,
    known,
    mates: coilMates(known),
    levels: known.map(({ load }) => heardLevel(load)),
    isPolarityTested: loads.map((each) => each.isPolarityTested),
  };
}

/** Without its pad, which is in the network. What was there and is rated by nobody is as factory speakers usually are. */
function heardLevel(load: ChannelLoad): Level | null {
  return levelOf({ ...load, line: null }) ?? (load.isNew ? null : USUAL_FACTORY_LEVEL);
}

function knownRanges({ kind, electrics }: ChannelLoad): KnownLoad['ranges'] | null {
  return kind === null ? null : driverRanges(kind, electrics);
}

function rangesOrUsual(load: ChannelLoad): KnownLoad['ranges'] | null {
  const known = knownRanges(load);
  if (known || load.kind === null) return known;
  const usual = driverRanges(load.kind, { ...load.electrics, nominalOhm: USUAL_NOMINAL_OHM });
  return usual && { ...usual, coilOhm: USUAL_COIL_OHM };
}

/** Where in its ranges a speaker lies, from 0 to 1 each. */
type Figures = {
  readonly coil: number;
  readonly others: readonly [number, number, number, number];
  readonly taken: number;
  readonly end: number;
  readonly missed: number;
  readonly level: number;
};
/** What hangs on the place and not on what plays there. */
type Spot = { readonly way: Way; readonly isTurned: boolean };

/** One car: what was drawn for a place stays, and what was drawn for a speaker that stays. */
class DrawnCar {
  private readonly cabin: Cabin;
  private readonly spots = new Map<string, Spot>();
  private readonly staying = new Map<string, Figures>();
  private readonly sent = new Map<ChannelBand, SentBand>();

  constructor(private readonly random: () => number) {
    this.cabin = {
      liftHz: within(SEAT.liftHz, random()),
      liftDbPerOctave: within(SEAT.liftDbPerOctave, random()),
      rippleDb: within(SEAT.rippleDb, random()),
      ripplesPerOctave: within(SEAT.ripplesPerOctave, random()),
      ripplePhase: random(),
    };
  }

  /** @returns the voltage at each speaker, and the pressure at the ear without the cabin's share; null where one is rated by nobody */
  channel(
    { joined, known, mates, levels, isPolarityTested }: Playing,
    frequenciesHz: Float64Array,
  ): { readonly voltages: readonly ComplexColumn[]; readonly sound: ComplexColumn | null } {
    const figures = known.map(({ load }) => this.figuresOf(load));
    const drivers = known.map(({ ranges }, each) => {
      const mate = figures[mates[each] as number] as Figures;
      return driverAt(ranges, [mate.coil, ...(figures[each] as Figures).others]);
    });
    const taken = figures.map((each) => takenAt(each.taken));
    const voltages = driverVoltages(channelLadders(known, drivers, joined, taken), joined, frequenciesHz);
    const sound = newColumn(frequenciesHz.length);
    for (const [each, { load }] of known.entries()) {
      const [level, { end, missed, level: place }] = [levels[each] ?? null, figures[each] as Figures];
      if (level === null) return { voltages, sound: null };
      const { way, isTurned } = this.spotOf(load.label);
      const kind = load.kind as DriverKind;
      addSound(
        sound,
        {
          ...{ kind, driver: drivers[each] as (typeof drivers)[number], way },
          endHz: within(UPPER_END_HZ[kind], end),
          missed: within(MISSED_INDUCTANCE, missed),
          db: level.db + (2 * place - 1) * Math.sqrt(3) * level.uncertaintyDb,
          isTurned: !isPolarityTested[each] && isTurned,
        },
        voltages[each] as ComplexColumn,
        frequenciesHz,
      );
    }
    return { voltages, sound };
  }

  seatDb(sound: ComplexColumn, band: ChannelBand, frequenciesHz: Float64Array): Float64Array {
    const sent = kept(this.sent, band, () => sentBand(band, [this.random(), this.random()]));
    return decibels(sound).map((db, at) => {
      const hz = frequenciesHz[at] as number;
      return db + cabinDb(this.cabin, hz) + sentDb(sent, hz);
    });
  }

  private figuresOf({ label, isNew }: ChannelLoad): Figures {
    const { random } = this;
    const draw = (): Figures => ({
      ...{ coil: random(), others: [random(), random(), random(), random()] },
      ...{ taken: random(), end: random(), missed: random(), level: random() },
    });
    return isNew ? draw() : kept(this.staying, label, draw);
  }

  private spotOf(label: string): Spot {
    const { random } = this;
    return kept(this.spots, label, () => ({
      way: {
        distanceM: within(SEAT.distanceM, random()),
        pastTheEarDbPerOctave: within(SEAT.pastTheEarDbPerOctave, random()),
      },
      isTurned: random() < 0.5,
    }));
  }
}

function kept<K, T>(by: Map<K, T>, key: K, draw: () => T): T {
  const found = by.get(key) ?? draw();
  by.set(key, found);
  return found;
}

function decibels({ re, im }: ComplexColumn): Float64Array {
  return re.map((real, at) => 20 * Math.log10(Math.hypot(real, im[at] as number)));
}

function newColumn(count: number): ComplexColumn {
  return { re: new Float64Array(count), im: new Float64Array(count) };
}
