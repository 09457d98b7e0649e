/**
 * Does it play, is its load stood, is its power right, and is nothing silent or doubled? The questions to one channel, each answered with one
 * of the four words, a sentence, and what would settle it. What nobody knows is never "clears".
 */
import { coverageFactor, intervalVerdict } from '../../uncertainty';
import { leastChannelImpedance } from './channelImpedance';
import { type ChannelLoad, type Joined, type KnownLoad, knownLoads } from './channelNetwork';
import type { DriverKind } from './electrics';

export type ChannelBand = 'full' | 'bass' | 'treble' | 'voices';
export type PowerRating = 'RMS' | 'peak' | 'range' | 'unstated';

export type Channel = {
  readonly name: string;
  /** Null where nobody looked. */
  readonly band: ChannelBand | null;
  /** The least load that what feeds it is sold for, nominal; null where nobody says. */
  readonly leastOhm: number | null;
  /** Null where nobody says. */
  readonly power: { readonly watt: number; readonly rating: PowerRating; readonly atOhm: number | null } | null;
  /** Whether the radio itself feeds it, from the car's own voltage. */
  readonly isRadio: boolean;
  readonly joined: Joined;
  readonly loads: readonly ChannelLoad[];
};

export type ChannelVerdict = 'clears' | 'measure' | 'hits' | 'hold';
export const CHANNEL_CHECKS = ['load', 'band', 'power'] as const;
export type ChannelCheckId = (typeof CHANNEL_CHECKS)[number];

export type ChannelCheck = {
  readonly id: ChannelCheckId;
  readonly verdict: ChannelVerdict;
  /** What is left of the load, Ω; null where it is no number, or not known. */
  readonly margin: { readonly ohm: number; readonly expandedOhm: number } | null;
  readonly sentence: string;
  /** The one thing that settles it; null where nothing is open. */
  readonly settledBy: string | null;
};

/** What is sold as a load may come down to so much of it anywhere in its band (IEC 60268-5). */
export const LEAST_OF_NOMINAL = 0.8;
/** An amplifier of so much of what the speaker stands is ordinary (common practice, no source). */
const ORDINARY_POWER = { least: 0.5, most: 1 } as const;
const ALL_RECTANGULAR = 1;
/** Of a car that runs, V: what a radio without a converter has to swing between. */
const SUPPLY_V = 14.4;
const USUAL_OHM = 4;

/**
 * @param confidence one-sided, the shop's, between 0.5 and 1 exclusive
 * @returns one of each, in the order of `CHANNEL_CHECKS`
 */
export function judgeChannel(channel: Channel, confidence: number): readonly ChannelCheck[] {
  return [loadCheck(channel, confidence), bandCheck(channel), powerCheck(channel)];
}

function check(
  id: ChannelCheckId,
  verdict: ChannelVerdict,
  sentence: string,
  settledBy: string | null,
  margin: ChannelCheck['margin'] = null,
): ChannelCheck {
  return { id, verdict, margin, sentence, settledBy };
}

function loadCheck({ loads, leastOhm, joined }: Channel, confidence: number): ChannelCheck {
  const { known, unknown } = knownLoads(loads);
  if (loads.length === 0)
    return check('load', 'measure', 'Nobody noted which speakers hang on it.', 'Say which places it feeds.');
  if (unknown.length > 0)
    return check(
      'load',
      'measure',
      `The impedance of what is in ${labels(unknown)} is not known.`,
      'Read its coil with the meter, unplugged, or what is printed on its back.',
    );
  const { ohm, hz, uncertaintyOhm } = least(known, joined);
  const factor = coverageFactor(confidence, null, known.length === 1 ? ALL_RECTANGULAR : 0);
  const seen = `${tenths(ohm)} ± ${tenths(uncertaintyOhm * factor)} Ω at ${wholeHz(hz)}`;
  if (leastOhm === null)
    return check(
      'load',
      'measure',
      `Its amplifier sees ${seen} at the least. Nobody says what it stands.`,
      'Look for the least load on the radio’s or amplifier’s label, or in its maker’s sheet.',
    );
  const margin = { ohm: ohm - LEAST_OF_NOMINAL * leastOhm, expandedOhm: uncertaintyOhm * factor };
  const verdict = intervalVerdict(margin.ohm, margin.expandedOhm);
  const limit = `a load sold as ${leastOhm} Ω may come down to ${tenths(LEAST_OF_NOMINAL * leastOhm)} Ω`;
  const sentence = `Its amplifier sees ${seen} at the least; ${limit}.`;
  if (verdict === 'clears') return check('load', verdict, sentence, null, margin);
  const cure =
    loads.length > 1
      ? 'Take one of them off the channel, or take speakers of more ohms.'
      : 'Take a speaker of more ohms.';
  return check('load', verdict, sentence, verdict === 'hits' ? cure : settlesLoad(known), margin);
}

/** Where nobody looked for a capacitor, the graver of the two is meant. */
function least(known: readonly KnownLoad[], joined: Joined) {
  const without = leastChannelImpedance(known, joined, 'nothing');
  if (known.every(({ load }) => load.before.kind !== 'notLooked')) return without;
  const withOne = leastChannelImpedance(known, joined, 'capacitor');
  return withOne.ohm < without.ohm ? withOne : without;
}

function settlesLoad(known: readonly KnownLoad[]): string {
  const notLooked = known.filter(({ load }) => load.before.kind === 'notLooked').map(({ load }) => load);
  if (notLooked.length > 0) return `Look whether a capacitor sits at ${labels(notLooked)}.`;
  const unread = known.filter(({ load }) => load.electrics.coilOhm === null).map(({ load }) => load);
  return `Read the coil of ${labels(unread.length > 0 ? unread : known.map(({ load }) => load))} with the meter, unplugged.`;
}

const PLAYS_BASS: ReadonlySet<DriverKind> = new Set(['coaxial', 'component woofer', 'full range']);
const HAS_TREBLE: ReadonlySet<DriverKind> = new Set(['coaxial', 'full range', 'tweeter']);

function bandCheck({ band, loads }: Channel): ChannelCheck {
  if (loads.length === 0)
    return check('band', 'measure', 'Nobody noted which speakers hang on it.', 'Say which places it feeds.');
  if (band === null)
    return check(
      'band',
      'measure',
      'Nobody looked what it carries.',
      'Hear the old speaker alone with a voice, or hold a full-range speaker to the wires.',
    );
  const unfiltered = loads.filter(({ kind, before }) => kind === 'tweeter' && before.kind === 'nothing');
  if (unfiltered.length > 0 && band !== 'treble')
    return check(
      'band',
      'hold',
      `A tweeter without a filter dies on what the channel carries: ${labels(unfiltered)}.`,
      'A lead with a capacitor, or the crossover of its set.',
    );
  const fresh = loads.filter(({ isNew, kind }) => isNew && kind !== null);
  const silent = fresh.filter(({ kind }) => isSilent(band, kind as DriverKind));
  if (silent.length > 0) return check('band', 'hold', `${SILENT_WORDS[band]}: ${labels(silent)}.`, SILENT_CURES[band]);
  if (band === 'voices')
    return check(
      'band',
      'measure',
      'It carries voices and sounds only: no music comes from what is fitted there.',
      'Ask whether that is wanted.',
    );
  const doubled = doubledTreble(loads);
  if (doubled)
    return check(
      'band',
      'measure',
      `${doubled.coaxial.label} has a tweeter of its own, and the one at ${doubled.tweeter.label} goes on playing: the treble comes twice.`,
      'Take the old tweeter off the channel and insulate its lead, or a woofer instead of the coaxial.',
    );
  const unknown = loads.filter(
    ({ kind, before }) => kind === null || (kind === 'tweeter' && before.kind === 'notLooked'),
  );
  if (unknown.length > 0)
    return check(
      'band',
      'measure',
      `Nobody looked what is in front of, or what it is, at ${labels(unknown)}.`,
      'Look at the speaker and its lead for a capacitor.',
    );
  return check('band', 'clears', 'What hangs on it plays what it carries.', null);
}

function isSilent(band: ChannelBand, kind: DriverKind): boolean {
  if (band === 'bass') return HAS_TREBLE.has(kind);
  return band === 'treble' && PLAYS_BASS.has(kind);
}

const SILENT_WORDS: Readonly<Record<ChannelBand, string>> = {
  full: '',
  voices: '',
  bass: 'The channel sends bass only, and a tweeter in it gets nothing to play',
  treble: 'The channel sends treble only, and no bass comes to',
};
const SILENT_CURES: Readonly<Record<ChannelBand, string>> = {
  full: '',
  voices: '',
  bass: 'A woofer instead; the treble is another channel’s.',
  treble: 'A tweeter, or a small speaker made for it; the bass is another channel’s.',
};

function doubledTreble(
  loads: readonly ChannelLoad[],
): { readonly coaxial: ChannelLoad; readonly tweeter: ChannelLoad } | null {
  const coaxial = loads.find(({ isNew, kind }) => isNew && kind === 'coaxial');
  const tweeter = loads.find(({ isNew, kind }) => !isNew && kind === 'tweeter');
  return coaxial && tweeter ? { coaxial, tweeter } : null;
}

function powerCheck({ power, loads, isRadio }: Channel): ChannelCheck {
  const fresh = loads.filter(({ isNew }) => isNew);
  if (fresh.length === 0) return check('power', 'clears', 'No new speaker hangs on it.', null);
  if (power === null)
    return check(
      'power',
      'measure',
      'Nobody says what power it gives.',
      'Look at the radio’s or amplifier’s sheet for the RMS power of a channel.',
    );
  if (power.rating !== 'RMS')
    return check(
      'power',
      'measure',
      `${power.watt} W is ${RATING_WORDS[power.rating]}: only RMS compares.`,
      'Look for the RMS power in the maker’s sheet; of a radio’s peak figure less than half is RMS (common practice).',
    );
  const mostW = mostOfRadioW(power.atOhm ?? USUAL_OHM);
  if (isRadio && power.watt > mostW)
    return check(
      'power',
      'measure',
      `${power.watt} W RMS cannot come from a radio on 12 V: into ${power.atOhm ?? USUAL_OHM} Ω that is ${whole(mostW)} W at the most.`,
      'Look whether it is the peak figure, or the sum of all channels.',
    );
  const unrated = fresh.filter(({ rmsW }) => rmsW === null);
  if (unrated.length > 0)
    return check(
      'power',
      'measure',
      `Nobody says how much RMS power ${labels(unrated)} stands.`,
      'Look for its RMS rating: peak and “music” figures compare with nothing.',
    );
  const shares = fresh.map((load) => ({ load, ...powerShare(load, power) }));
  const hard = shares.reduce((a, b) => (b.ratio > a.ratio ? b : a));
  const weak = shares.reduce((a, b) => (b.ratio < a.ratio ? b : a));
  const said = ({ load, watt }: (typeof shares)[number]) =>
    `${load.label} gets up to ${whole(watt)} W RMS and stands ${whole(load.rmsW as number)} W`;
  if (hard.ratio > ORDINARY_POWER.most)
    return check(
      'power',
      'measure',
      `${said(hard)}.`,
      'A high-pass below which it gets nothing, and the gain set so that it stays clean; or a speaker that stands more.',
    );
  if (weak.ratio < ORDINARY_POWER.least)
    return check(
      'power',
      'clears',
      `${said(weak)}: less than half. Its sensitivity decides how loud it gets; 3 dB more would need ${whole(2 * weak.watt)} W.`,
      null,
    );
  return check('power', 'clears', `${said(hard)}.`, null);
}

const RATING_WORDS: Readonly<Record<PowerRating, string>> = {
  RMS: 'RMS',
  peak: 'a peak figure',
  range: 'the top of a range',
  unstated: 'of a kind nobody states',
};

/** A bridged output swings by the whole supply either way: U²/2R of a sine wave, W. */
function mostOfRadioW(ohm: number): number {
  return SUPPLY_V ** 2 / 2 / ohm;
}

/** A source of one voltage gives less power into more ohms; into less than it is rated at nobody says that it gives more. */
function powerShare(
  { electrics: { nominalOhm }, rmsW }: ChannelLoad,
  { watt, atOhm }: NonNullable<Channel['power']>,
): { readonly watt: number; readonly ratio: number } {
  const into = atOhm !== null && nominalOhm !== null ? watt * Math.min(1, atOhm / nominalOhm) : watt;
  return { watt: into, ratio: into / (rmsW as number) };
}

function labels(loads: readonly ChannelLoad[]): string {
  return loads.map(({ label }) => label).join(' and ');
}

/** Ohms are told to the cautious side: the load down. */
function tenths(ohm: number): string {
  return (Math.round(ohm * 10) / 10).toFixed(1);
}

function whole(watt: number): string {
  return String(Math.round(watt));
}

/** Where the least lies is known by two figures at most. */
function wholeHz(hz: number): string {
  const rounded = Number(hz.toPrecision(2));
  return rounded >= 1000 ? `${rounded / 1000} kHz` : `${rounded} Hz`;
}
