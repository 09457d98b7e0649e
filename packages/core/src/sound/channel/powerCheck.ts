/** Whether what a channel gives suits what is new on it, or new to it: like with like, RMS alone. */
import { type Channel, type ChannelCheck, changedLoads, channelCheck, labelsOf, type PowerRating } from './Channel';
import type { ChannelLoad } from './channelNetwork';

/** An amplifier of so much of what the speaker stands is ordinary (common practice, no source). */
const ORDINARY_POWER = { least: 0.5, most: 1 } as const;
/** Of a car that runs, V: what a radio without a converter has to swing between. */
const SUPPLY_V = 14.4;
const USUAL_OHM = 4;

export function powerCheck(channel: Channel): ChannelCheck {
  const { power, isRadio } = channel;
  const changed = changedLoads(channel);
  if (changed.length === 0) return channelCheck('power', 'clears', 'No new speaker hangs on it.', null);
  if (power === null)
    return channelCheck(
      'power',
      'measure',
      'Nobody says what power it gives.',
      'Look at the radio’s or amplifier’s sheet for the RMS power of a channel.',
    );
  if (power.rating !== 'RMS')
    return channelCheck(
      'power',
      'measure',
      `${power.watt} W is ${RATING_WORDS[power.rating]}: only RMS compares.`,
      'Look for the RMS power in the maker’s sheet; of a radio’s peak figure less than half is RMS (common practice).',
    );
  const mostW = mostOfRadioW(power.atOhm ?? USUAL_OHM);
  if (isRadio && power.watt > mostW)
    return channelCheck(
      'power',
      'measure',
      `${power.watt} W RMS cannot come from a radio on 12 V: into ${power.atOhm ?? USUAL_OHM} Ω that is ${whole(mostW)} W at the most.`,
      'Look whether it is the peak figure, or the sum of all channels.',
    );
  const unrated = changed.filter(({ rmsW }) => rmsW === null);
  if (unrated.length > 0)
    return channelCheck(
      'power',
      'measure',
      `Nobody says how much RMS power ${labelsOf(unrated)} stands.`,
      'Look for its RMS rating: peak and “music” figures compare with nothing.',
    );
  const shares = changed.map((load) => ({ load, ...powerShare(load, power) }));
  const hard = shares.reduce((a, b) => (b.ratio > a.ratio ? b : a));
  const weak = shares.reduce((a, b) => (b.ratio < a.ratio ? b : a));
  const said = ({ load, watt }: (typeof shares)[number]) =>
    `${load.label} gets up to ${whole(watt)} W RMS and stands ${whole(load.rmsW as number)} W`;
  if (hard.ratio > ORDINARY_POWER.most)
    return channelCheck(
      'power',
      'measure',
      `${said(hard)}.`,
      'A high-pass below which it gets nothing, and the gain set so that it stays clean; or a speaker that stands more.',
    );
  if (weak.ratio < ORDINARY_POWER.least)
    return channelCheck(
      'power',
      'clears',
      `${said(weak)}: less than half. Its sensitivity decides how loud it gets; 3 dB more would need ${whole(2 * weak.watt)} W.`,
      null,
    );
  return channelCheck('power', 'clears', `${said(hard)}.`, null);
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

function whole(watt: number): string {
  return String(Math.round(watt));
}
