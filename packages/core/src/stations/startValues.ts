/**
 * Where to begin when the finished car is set: clean volume, high-passes, gains, level switch, fader. Each with its figure where one follows
 * from what is known, and with what it follows from; what was really set is written down at hand-over.
 */
import { type BaselineSettings, type Listening, placeLabel } from '../model';
import { type ChannelLoad, usualHighPass } from '../sound';
import { type LevelLine, levelLines } from './carLevels';
import { type ChannelJob, type ChannelOpening, type ChannelSheet, channelSheets } from './channelSheets';
import { listed } from './words';

export type StartValue = {
  /** What is set, which is also the name under which what was set is kept: "Gain, front left". */
  readonly what: string;
  /** Where to begin; null where only the ear can say. */
  readonly value: string | null;
  readonly why: string;
};

export type StartJob = ChannelJob & {
  readonly baseline: { readonly listening: readonly Listening[]; readonly settings: BaselineSettings };
};

/** Of a level switch (common practice, no source). */
const STEP_DB = 3;

/**
 * @param confidence one-sided, the shop's, between 0.5 and 1 exclusive
 * @returns in the order in which they are set; empty where nothing new plays, or nobody noted the channels
 */
export function startValues(
  job: StartJob,
  openings: readonly ChannelOpening[],
  confidence: number,
): readonly StartValue[] {
  const channels = channelSheets(job, openings, confidence);
  if (channels.kind === 'notLooked') return [];
  const changed = channels.sheets.filter(({ newOpeningIds }) => newOpeningIds.length > 0);
  if (changed.length === 0) return [];
  const levels = levelLines(channels.sheets, openings, confidence);
  const withGain = channels.sheets.filter(({ record: { fedBy } }) => fedBy === 'addedAmplifier');
  const withFilter = channels.sheets.filter((sheet) => withGain.includes(sheet) || sheet.isBypassed);
  const sizes = new Map(openings.map(({ record }) => [placeLabel(record), record.nominalSize]));
  return [
    cleanVolume(job.baseline.listening),
    ...withFilter.flatMap((sheet) => highPasses(sheet, sizes)),
    ...(withGain.length > 1 ? [gainOrder(withGain)] : []),
    ...withGain.map(gain),
    ...tweeterLevels(channels.sheets, levels),
    ...levels.flatMap(fader),
  ];
}

/** How many of them nobody wrote down after setting. */
export function startValuesLeft(values: readonly StartValue[], settings: BaselineSettings): readonly StartValue[] {
  return values.filter(({ what }) => settings[what] === undefined);
}

function cleanVolume(listening: readonly Listening[]): StartValue {
  const steps = listening.map(({ volume }) => volume);
  const before = steps.length > 0 ? ` Before the work it was heard at ${listed(steps)}.` : '';
  return {
    what: 'Clean volume',
    value: null,
    why: `Turn a record you know up until it is no longer clean, then back: that step is the loudest that is used, and every gain is set at it.${before}`,
  };
}

function highPasses({ channel: { loads } }: ChannelSheet, sizes: ReadonlyMap<string, string>): readonly StartValue[] {
  const isAlone = loads.every(({ kind }) => kind === 'tweeter');
  return loads.flatMap((load): StartValue[] => {
    const { label, kind, electrics, isNew } = load;
    // Of what stays, and of what has a filter of its own before it, nothing is set.
    if (!isNew || isHighPassed(load)) return [];
    if (kind === 'tweeter' && !isAlone) return [];
    const { hz } = usualHighPass(kind, sizes.get(label) ?? '', electrics.resonanceHz);
    const why =
      kind === 'tweeter'
        ? 'On a channel of its own it needs this before anything plays.'
        : 'As is usual for its size (common practice): what it cannot play it does not have to stand.';
    return [{ what: `High-pass, ${label}`, value: `${hz} Hz`, why }];
  });
}

function gainOrder(sheets: readonly ChannelSheet[]): StartValue {
  return {
    what: 'Gain order',
    value: listed(sheets.map(({ record: { name } }) => name)),
    why: 'From the driver’s seat: the front first, as loud as it stays clean; then the rear and the bass beside it.',
  };
}

/**
 * The voltage at the amplifier's terminals at which neither it nor a speaker gets more than it stands: P = U²/R at the nominal resistance, of
 * RMS powers alone.
 */
function gain({ record, channel: { loads, joined } }: ChannelSheet): StartValue {
  const what = `Gain, ${record.name}`;
  const missing = [
    ...(record.power?.rating === 'RMS' && record.power.atOhm !== null
      ? []
      : ['what the amplifier gives RMS, and into how many ohms']),
    ...loads.filter(({ rmsW }) => rmsW === null).map(({ label }) => `what ${label} stands RMS`),
    ...loads.filter(({ electrics }) => electrics.nominalOhm === null).map(({ label }) => `the ohms of ${label}`),
  ];
  const amplifier = record.power;
  if (missing.length > 0 || !amplifier || amplifier.atOhm === null)
    return {
      what,
      value: null,
      why: `By ear, up to where it is no longer clean, and back. For a figure look for ${listed(missing)}.`,
    };
  const ohmsOf = ({ electrics }: ChannelLoad) => electrics.nominalOhm as number;
  const known = loads.map((load) => ({ watt: load.rmsW as number, ohm: ohmsOf(load) }));
  // A tweeter behind its filter is no load where the power goes.
  const full = loads.filter((load) => !isHighPassed(load));
  const loading = (full.length > 0 ? full : loads).map(ohmsOf);
  const totalOhm = joined === 'series' ? sum(loading) : 1 / sum(loading.map((ohm) => 1 / ohm));
  if (totalOhm < amplifier.atOhm - OHM_ROUNDING)
    return {
      what,
      value: null,
      why: `By ear. Its ${round(amplifier.watt)} W are told into ${amplifier.atOhm} Ω, and less hangs on it: look what it gives into ${round(totalOhm)} Ω.`,
    };
  const ofAmplifier = Math.sqrt(amplifier.watt * amplifier.atOhm);
  const ofSpeakers =
    joined === 'series'
      ? Math.min(...known.map(({ watt, ohm }) => Math.sqrt(watt / ohm))) * totalOhm
      : Math.min(...known.map(({ watt, ohm }) => Math.sqrt(watt * ohm)));
  const hz = record.band === 'bass' ? '50 Hz' : '1 kHz';
  return {
    what,
    value: `${Math.min(ofAmplifier, ofSpeakers).toFixed(1)} V`,
    why: `The amplifier stays clean up to ${ofAmplifier.toFixed(1)} V, what hangs on it stands ${ofSpeakers.toFixed(1)} V (P = U²/R). Read it with a tone of ${hz} at full level (0 dB), at the clean volume, speakers unplugged.`,
  };
}

const OHM_ROUNDING = 0.05;

/** Of a set with a level switch. */
function tweeterLevels(sheets: readonly ChannelSheet[], levels: readonly LevelLine[]): readonly StartValue[] {
  const tweeters = sheets.flatMap(({ channel: { loads } }) =>
    loads.filter(({ kind, isNew }) => kind === 'tweeter' && isNew),
  );
  return tweeters.map(({ label }): StartValue => {
    const line = levels.find(({ id }) => id === `tweeter ${label}`);
    const what = `Tweeter level, ${label}`;
    if (!line || line.db === null || line.expandedDb === null)
      return {
        what,
        value: `−${STEP_DB} dB`,
        why: 'Nobody can say how loud it is beside its woofer. Many begin there with one that looks at the ear (common practice); the ear decides.',
      };
    const { db, expandedDb } = line;
    const value = db > STEP_DB / 2 ? `−${STEP_DB} dB` : db < -STEP_DB / 2 ? `+${STEP_DB} dB` : '0 dB';
    const size = `${Math.abs(db).toFixed(1)} ± ${expandedDb.toFixed(1)} dB ${db >= 0 ? 'louder' : 'quieter'}`;
    return { what, value, why: `It is ${size} than its woofer, by what the makers say; the ear decides.` };
  });
}

function fader({ id, db, next }: LevelLine): readonly StartValue[] {
  if (id !== 'front rear' || db === null) return [];
  return [
    {
      what: 'Fader',
      value: next === null ? 'In the middle' : `To the ${db > 0 ? 'rear' : 'front'}`,
      why:
        next === null
          ? 'Front and rear are as loud as each other, within what is heard.'
          : `The front is ${Math.abs(db).toFixed(1)} dB ${db >= 0 ? 'louder' : 'quieter'} than the rear, by what is known.`,
    },
  ];
}

/** Whether something keeps the bass from it already. */
function isHighPassed({ before, line }: ChannelLoad): boolean {
  if (line?.highPass) return true;
  return before.kind === 'capacitor' || (before.kind === 'filter' && before.highPass !== null);
}

function sum(all: readonly number[]): number {
  return all.reduce((total, each) => total + each, 0);
}

function round(value: number): string {
  return String(Math.round(value * 10) / 10);
}
