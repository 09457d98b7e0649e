/**
 * Where to begin when the finished car is set: clean volume, high-passes, gains, level switch, fader. Each with its figure where one follows
 * from what is known, and with what it follows from; what was really set is written down at hand-over.
 */

import { listed } from '../listed';
import { type BaselineSettings, type Listening, placeLabel } from '../model';
import { type ChannelLoad, usualHighPass } from '../sound';
import { type LevelLine, levelLines } from './carLevels';
import { type ChannelJob, type ChannelOpening, type ChannelSheet, channelSheets } from './channelSheets';
import { isHighPassed, type Settable, settablesOf } from './settable';

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
  const settables = settablesOf(channels);
  if (settables.length === 0 || channels.kind === 'notLooked') return [];
  const levels = levelLines(channels.sheets, openings, confidence);
  const sizes = new Map(openings.map(({ record }) => [placeLabel(record), record.nominalSize]));
  const begin = (settable: Settable): Beginning => {
    switch (settable.kind) {
      case 'cleanVolume':
        return cleanVolume(job.baseline.listening);
      case 'highPass':
        return highPass(settable.load, sizes.get(settable.load.label) ?? '');
      case 'gainOrder':
        return gainOrder(settable.sheets);
      case 'gain':
        return gain(settable.sheet);
      case 'tweeterLevel':
        return tweeterLevel(levels.find(({ id }) => id === `tweeter ${settable.load.label}`));
    }
  };
  return [...settables.map((settable) => ({ what: settable.what, ...begin(settable) })), ...levels.flatMap(fader)];
}

type Beginning = Omit<StartValue, 'what'>;

function cleanVolume(listening: readonly Listening[]): Beginning {
  const steps = listening.map(({ volume }) => volume);
  const before = steps.length > 0 ? ` Before the work it was heard at ${listed(steps)}.` : '';
  return {
    value: null,
    why: `Turn a record you know up until it is no longer clean, then back: that step is the loudest that is used, and every gain is set at it.${before}`,
  };
}

function highPass({ kind, electrics: { resonanceHz } }: ChannelLoad, nominalSize: string): Beginning {
  return {
    value: `${usualHighPass(kind, nominalSize, resonanceHz).hz} Hz`,
    why:
      kind === 'tweeter'
        ? 'On a channel of its own it needs this before anything plays.'
        : 'As is usual for its size (common practice): what it cannot play it does not have to stand.',
  };
}

function gainOrder(sheets: readonly ChannelSheet[]): Beginning {
  return {
    value: listed(sheets.map(({ record: { name } }) => name)),
    why: 'From the driver’s seat: the front first, as loud as it stays clean; then the rear and the bass beside it.',
  };
}

/**
 * The voltage at the amplifier's terminals at which neither it nor a speaker gets more than it stands: P = U²/R at the nominal resistance, of
 * RMS powers alone.
 */
function gain({ record, channel: { loads, joined } }: ChannelSheet): Beginning {
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
    value: `${Math.min(ofAmplifier, ofSpeakers).toFixed(1)} V`,
    why: `The amplifier stays clean up to ${ofAmplifier.toFixed(1)} V, what hangs on it stands ${ofSpeakers.toFixed(1)} V (P = U²/R). Read it with a tone of ${hz} at full level (0 dB), at the clean volume, speakers unplugged.`,
  };
}

const OHM_ROUNDING = 0.05;

/** Of a set with a level switch, by how it compares with its woofer. */
function tweeterLevel(line: LevelLine | undefined): Beginning {
  if (!line || line.db === null || line.expandedDb === null)
    return {
      value: `−${STEP_DB} dB`,
      why: 'Nobody can say how loud it is beside its woofer. Many begin there with one that looks at the ear (common practice); the ear decides.',
    };
  const { db, expandedDb } = line;
  const value = db > STEP_DB / 2 ? `−${STEP_DB} dB` : db < -STEP_DB / 2 ? `+${STEP_DB} dB` : '0 dB';
  const size = `${Math.abs(db).toFixed(1)} ± ${expandedDb.toFixed(1)} dB ${db >= 0 ? 'louder' : 'quieter'}`;
  return { value, why: `It is ${size} than its woofer, by what the makers say; the ear decides.` };
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

function sum(all: readonly number[]): number {
  return all.reduce((total, each) => total + each, 0);
}

function round(value: number): string {
  return String(Math.round(value * 10) / 10);
}
