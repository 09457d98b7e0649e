/** Whether what hangs on a channel plays what the channel carries: nothing silent, nothing doubled, no tweeter without a filter. */
import { type Channel, type ChannelBand, type ChannelCheck, channelCheck, labelsOf } from './Channel';
import type { ChannelLoad } from './channelNetwork';
import type { Between, DriverKind } from './electrics';
import { type HighPassOf, highPassesInSeries, highPassesOf, unlookedOf } from './highPassesInSeries';
import { wholeHz } from './wholeHz';

const PLAYS_BASS: ReadonlySet<DriverKind> = new Set(['coaxial', 'component woofer', 'full range']);
const HAS_TREBLE: ReadonlySet<DriverKind> = new Set(['coaxial', 'full range', 'tweeter']);

export function bandCheck({ band, loads }: Channel): ChannelCheck {
  if (loads.length === 0)
    return channelCheck('band', 'measure', 'Nobody noted which speakers hang on it.', 'Say which places it feeds.');
  if (band === null)
    return channelCheck(
      'band',
      'measure',
      'Nobody looked what it carries.',
      'Hear the old speaker alone with a voice, or hold a full-range speaker to the wires.',
    );
  const unfiltered = loads.filter(
    ({ kind, before, line, crossover }) =>
      kind === 'tweeter' && before.kind === 'nothing' && !line?.highPass && !mayKeepBassOut(crossover),
  );
  if (unfiltered.length > 0 && band !== 'treble')
    return channelCheck(
      'band',
      'hold',
      `A tweeter without a filter dies on what the channel carries: ${labelsOf(unfiltered)}.`,
      'A lead with a capacitor, the crossover of its set, or a high-pass in its line.',
    );
  const fresh = loads.filter(({ isNew, kind }) => isNew && kind !== null);
  const silent = fresh.filter(({ kind }) => isSilent(band, kind as DriverKind));
  if (silent.length > 0)
    return channelCheck('band', 'hold', `${SILENT_WORDS[band]}: ${labelsOf(silent)}.`, SILENT_CURES[band]);
  if (band === 'voices')
    return channelCheck(
      'band',
      'measure',
      'It carries voices and sounds only: no music comes from what is fitted there.',
      'Ask whether that is wanted.',
    );
  const doubled = doubledTreble(loads);
  if (doubled)
    return channelCheck(
      'band',
      'measure',
      `${doubled.fresh.label} ${doubled.fresh.kind === 'coaxial' ? 'has a tweeter of its own' : 'is a new tweeter'}, and the one at ${doubled.tweeter.label} goes on playing: the treble comes twice.`,
      doubled.fresh.kind === 'coaxial'
        ? 'Take the old tweeter off the channel and insulate its lead, or a woofer instead of the coaxial.'
        : 'Take the old tweeter off the channel and insulate its lead.',
    );
  const twice = loads.filter((load) => highPassesOf(load).length > 1);
  if (twice.length > 0)
    return channelCheck(
      'band',
      'measure',
      twice.map(inSeriesWords).join(' '),
      'Leave one of them out: a lead’s own capacitor replaces the set’s, and what lies in the line replaces either.',
    );
  const unknown = loads.filter(
    ({ kind, before, crossover }) =>
      kind === null || (kind === 'tweeter' && (before.kind === 'notLooked' || crossover?.filter === null)),
  );
  if (unknown.length > 0)
    return channelCheck(
      'band',
      'measure',
      `Nobody looked what is in front of, or what it is, at ${labelsOf(unknown)}.`,
      'Look at the speaker and its lead for a capacitor.',
    );
  return channelCheck('band', 'clears', 'What hangs on it plays what it carries.', null);
}

/** Where nobody wrote down what a crossover's output lets pass, it is asked there, and is not told to be none. */
function mayKeepBassOut(crossover: ChannelLoad['crossover']): boolean {
  return crossover !== null && (crossover.filter === null || crossover.filter.highPass !== null);
}

function inSeriesWords(load: ChannelLoad): string {
  const found = highPassesInSeries(load);
  const there = highPassesOf(load).length === 2 ? 'Two' : 'Three';
  const begins = `${there} high-passes stand in series at ${load.label}`;
  const doubts = [
    ...(load.before.kind === 'capacitor' && load.before.farad === null
      ? ['Nobody read the capacitor of its lead.']
      : []),
    ...unlookedOf(load).map((of) => `Whether ${OF_WORDS[of]} has one more nobody looked.`),
  ];
  const said = (sentence: string) => [`${begins}: ${sentence}`, ...doubts].join(' ');
  if (found === null) return said('each is made for the driver alone, and together they take more than either says.');
  const [first, ...others] = found.alone.map(({ of, hz }) => [OF_WORDS[of], fromHz(hz)] as const);
  const alone = [`${first?.[0]} lets pass from ${first?.[1]}`, ...others.map(([of, hz]) => `${of} from ${hz}`)].join(
    ', ',
  );
  const all = others.length === 1 ? 'both' : 'all three';
  return said(`${alone}, ${all} together only from ${fromHz(found.together)}, into ${found.ohm} Ω.`);
}

const OF_WORDS: Readonly<Record<HighPassOf, string>> = {
  crossover: 'the crossover',
  line: 'what lies in its line',
  lead: 'its lead',
};

function fromHz({ least, most }: Between): string {
  const [low, high] = [wholeHz(least), wholeHz(most)];
  return low === high ? low : `${low} to ${high}`;
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
): { readonly fresh: ChannelLoad; readonly tweeter: ChannelLoad } | null {
  const fresh = loads.find(({ isNew, kind }) => isNew && (kind === 'coaxial' || kind === 'tweeter'));
  const tweeter = loads.find(({ isNew, kind }) => !isNew && kind === 'tweeter');
  return fresh && tweeter ? { fresh, tweeter } : null;
}
