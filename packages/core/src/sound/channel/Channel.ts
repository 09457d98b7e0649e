/** A channel as it is judged, and what is said of it. */
import type { ChannelLoad, Joined } from './channelNetwork';

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
  /** What feeds it is new: what stays on it is judged with it as well. */
  readonly isNewSource: boolean;
  readonly joined: Joined;
  /** What leads to its speakers: the car's own, or new wire; null where nobody decided. */
  readonly wire: 'factory' | 'new' | null;
  /** Between door and pillar; null where nobody looked. */
  readonly boot: 'open' | 'connector' | 'none' | null;
  readonly loads: readonly ChannelLoad[];
};

export type ChannelVerdict = 'clears' | 'measure' | 'hits' | 'hold';
export const CHANNEL_CHECKS = ['load', 'band', 'power', 'wire'] as const;
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

/** One answer, with the defaults of those that have no figure. */
export function channelCheck(
  id: ChannelCheckId,
  verdict: ChannelVerdict,
  sentence: string,
  settledBy: string | null,
  margin: ChannelCheck['margin'] = null,
): ChannelCheck {
  return { id, verdict, margin, sentence, settledBy };
}

/** Those for which something changes: what is new, and all of them where what feeds them is. */
export function changedLoads({ loads, isNewSource }: Pick<Channel, 'loads' | 'isNewSource'>): readonly ChannelLoad[] {
  return isNewSource ? loads : loads.filter(({ isNew }) => isNew);
}

export function labelsOf(loads: readonly ChannelLoad[]): string {
  return loads.map(({ label }) => label).join(' and ');
}
