/** What of a channel is heard at the seat, now and as the car came, and in words what of that nobody knows. */
import { BAND_LABELS, type OpeningRecord, placeLabel, polarityWeight } from '../model';
import { lowerFirst } from '../order';
import { type ChannelLoad, type HeardChannel, knownLoads, labelsOf } from '../sound';
import type { ChannelSheet } from './channelSheets';

export type HeardSheet = {
  readonly now: HeardChannel;
  /** Null where nothing was there, or nobody knows what. */
  readonly before: HeardChannel | null;
  /** What keeps its response from being worked out, with what tells it; null where nothing does. */
  readonly responseWants: string | null;
  /** The same of what arrives at the seat. */
  readonly seatWants: string | null;
  /** What stands in the place of what nobody knows. */
  readonly taken: readonly string[];
};

/** What of an opening its polarity is known by. */
export type HeardOpening = { readonly record: Pick<OpeningRecord, 'place' | 'side' | 'name' | 'polarity'> };

/** @param keysProve whether the shop takes a keyed lead for a proof of polarity */
export function heardSheet(
  { channel: { loads, joined, band }, before, isBypassed }: ChannelSheet,
  openings: readonly HeardOpening[],
  keysProve: boolean,
): HeardSheet {
  const tested = new Set(
    openings
      .filter(({ record: { polarity } }) => polarityWeight(polarity, keysProve) === 'tested')
      .map(({ record }) => placeLabel(record)),
  );
  const heard = (all: readonly ChannelLoad[]) =>
    all.map((load) => ({ load, isPolarityTested: tested.has(load.label) }));
  const untold = loads.filter(({ isNew, sensitivity, electrics: { nominalOhm } }) =>
    sensitivity === null ? isNew : sensitivity.at !== '2.83 V' && nominalOhm === null,
  );
  const { unknown } = knownLoads(loads);
  const isBeforeKnown = before.loads.length > 0 && before.loads.every(({ kind }) => kind !== null);
  return {
    now: { loads: heard(loads), joined, band: band ?? 'full' },
    before: isBeforeKnown ? { loads: heard(before.loads), joined: before.joined, band: before.band ?? 'full' } : null,
    responseWants:
      unknown.length === 0
        ? null
        : `The ohms of what is in ${labelsOf(unknown)} are not known: read its coil with the meter, unplugged, or what is printed on its back.`,
    seatWants:
      untold.length === 0
        ? null
        : `Nobody says how sensitive ${labelsOf(untold)} is: look for its sensitivity in dB, and whether at 1 W or at 2.83 V.`,
    taken: [
      ...bandTaken(band),
      ...beforeTaken(before.loads, isBeforeKnown),
      ...polarityTaken(
        loads.filter(({ label }) => !tested.has(label)),
        loads.length,
      ),
      ...(isBypassed && isBeforeKnown
        ? ['Before, the maker’s amplifier fed it: for the same volts, not for the same setting.']
        : []),
    ],
  };
}

function bandTaken(band: ChannelSheet['channel']['band']): readonly string[] {
  if (band === null) return ['Nobody looked what the channel carries: everything is taken.'];
  return band === 'full'
    ? []
    : [`The channel carries ${lowerFirst(BAND_LABELS[band])}: where it ends is as likely in one octave as in another.`];
}

function beforeTaken(before: readonly ChannelLoad[], isKnown: boolean): readonly string[] {
  if (before.length === 0) return ['No speaker was on it before: there is nothing to compare with.'];
  if (!isKnown)
    return [
      `What was in ${labelsOf(before.filter(({ kind }) => kind === null))} nobody looked: it is not compared with what was there.`,
    ];
  const unread = before.filter(({ electrics: { nominalOhm, coilOhm } }) => nominalOhm === null && coilOhm === null);
  return [
    `What was in ${labelsOf(before)} is taken to be as loud as factory speakers usually are, 86 to 92 dB at 2.83 V.`,
    ...(unread.length === 0 ? [] : [`Nobody read the ohms of what was in ${labelsOf(unread)}: 3 to 8 Ω are taken.`]),
  ];
}

function polarityTaken(untested: readonly ChannelLoad[], count: number): readonly string[] {
  return count < 2 || untested.length === 0
    ? []
    : [
        `Which wire is positive is not tested at ${labelsOf(untested)}: either is taken, and one that is reversed takes away where both play.`,
      ];
}
