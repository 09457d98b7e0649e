/** What of a finished car is set, by its name: what follows from its channels alone, without where one begins. */
import type { ChannelLoad } from '../sound';
import type { CarChannels, ChannelSheet } from './channelSheets';

export type Settable =
  | { readonly kind: 'cleanVolume'; readonly what: string }
  | { readonly kind: 'highPass' | 'tweeterLevel'; readonly what: string; readonly load: ChannelLoad }
  | { readonly kind: 'gainOrder'; readonly what: string; readonly sheets: readonly ChannelSheet[] }
  | { readonly kind: 'gain'; readonly what: string; readonly sheet: ChannelSheet };

/** @returns in the order in which they are set; empty where nothing new plays, or nobody noted the channels */
export function settablesOf(channels: CarChannels): readonly Settable[] {
  if (channels.kind === 'notLooked' || channels.sheets.every(({ newOpeningIds }) => newOpeningIds.length === 0))
    return [];
  const { sheets } = channels;
  const withGain = sheets.filter(({ record: { fedBy } }) => fedBy === 'addedAmplifier');
  const withFilter = sheets.filter((sheet) => withGain.includes(sheet) || sheet.isBypassed);
  const tweeters = sheets.flatMap(({ channel: { loads } }) =>
    loads.filter(({ kind, isNew }) => kind === 'tweeter' && isNew),
  );
  return [
    { kind: 'cleanVolume', what: 'Clean volume' },
    ...withFilter.flatMap(highPasses),
    ...(withGain.length > 1 ? [{ kind: 'gainOrder', what: 'Gain order', sheets: withGain } as const] : []),
    ...withGain.map((sheet) => ({ kind: 'gain', what: `Gain, ${sheet.record.name}`, sheet }) as const),
    ...tweeters.map((load) => ({ kind: 'tweeterLevel', what: `Tweeter level, ${load.label}`, load }) as const),
  ];
}

/** Of what stays, and of what has a filter of its own before it, nothing is set; of a set's tweeter only where it has a channel to itself. */
function highPasses({ channel: { loads } }: ChannelSheet): readonly Settable[] {
  const isAlone = loads.every(({ kind }) => kind === 'tweeter');
  return loads
    .filter((load) => load.isNew && !isHighPassed(load) && (load.kind !== 'tweeter' || isAlone))
    .map((load) => ({ kind: 'highPass', what: `High-pass, ${load.label}`, load }));
}

/** Whether something keeps the bass from it already. */
export function isHighPassed({ before, line, crossover }: ChannelLoad): boolean {
  if (line?.highPass || crossover?.filter?.highPass) return true;
  return before.kind === 'capacitor' || (before.kind === 'filter' && before.highPass !== null);
}
