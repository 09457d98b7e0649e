/**
 * How loud speakers are to each other at the same setting: by their sensitivity, brought to one voltage. 1 W and 2.83 V are the same at 8 Ω only:
 * at the same voltage a speaker of R ohm takes 8/R times the power, 10 log10(8/R) dB more.
 */
import type { ChannelLoad } from './channelNetwork';

export type Level = {
  /** At 2.83 V and 1 m, dB. */
  readonly db: number;
  /** Standard, dB. */
  readonly uncertaintyDb: number;
};

/** The least difference that is heard of music (common practice, no source). */
export const HEARD_DB = 1;

/** What a maker's figure may be off (from memory: 1 dB either way, rectangular). */
const FIGURE_DB = 1;
const REFERENCE_OHM = 8;

/** Of a factory speaker that nobody measured: 86 to 92 dB, each as likely (from memory). */
export const USUAL_FACTORY_LEVEL: Level = { db: 89, uncertaintyDb: 3 / Math.sqrt(3) };
/** How far a pad before a driver that is no resistance may be off what it is before its nominal value, dB (from memory). */
const PAD_DB = 0.5;

/** With its pad. @returns null where nobody says its sensitivity, or what it is to be brought to one voltage by */
export function levelOf(load: Pick<ChannelLoad, 'sensitivity' | 'electrics' | 'line'>): Level | null {
  const level = ownLevelOf(load);
  const pad = load.line?.pad;
  const { nominalOhm } = load.electrics;
  if (!level || !pad) return level;
  if (nominalOhm === null) return null;
  const both = pad.parallelOhm === null ? nominalOhm : 1 / (1 / pad.parallelOhm + 1 / nominalOhm);
  return {
    db: level.db + 20 * Math.log10(both / (pad.seriesOhm + both)),
    uncertaintyDb: Math.hypot(level.uncertaintyDb, PAD_DB / Math.sqrt(3)),
  };
}

function ownLevelOf({
  sensitivity,
  electrics: { nominalOhm },
}: Pick<ChannelLoad, 'sensitivity' | 'electrics'>): Level | null {
  if (sensitivity === null) return null;
  const { db, at } = sensitivity;
  const figure = FIGURE_DB / Math.sqrt(3);
  if (at === '2.83 V') return { db, uncertaintyDb: figure };
  if (nominalOhm === null) return null;
  const gain = 10 * Math.log10(REFERENCE_OHM / nominalOhm);
  if (at === '1 W') return { db: db + gain, uncertaintyDb: figure };
  // Nobody says which: it lies at one of the two, and halfway between with half of what they differ by as its limit.
  return { db: db + gain / 2, uncertaintyDb: Math.hypot(figure, Math.abs(gain) / 2 / Math.sqrt(3)) };
}

/** How much louder the first is, dB. */
export function levelDifference(a: Level, b: Level): Level {
  return { db: a.db - b.db, uncertaintyDb: Math.hypot(a.uncertaintyDb, b.uncertaintyDb) };
}
