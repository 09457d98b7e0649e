/** What has to be known or decided of the channels before what is chosen plays: load, band and power, and what feeds each new speaker. */
import { placeLabel } from '../model';
import type { ChannelCheck } from '../sound';
import { amplifierPoints } from './amplifierPoints';
import { type ChannelSheet, channelSheets } from './channelSheets';
import type { OpenPoint, PointJob, PointOpening } from './point';

const STAKES: Readonly<Record<ChannelCheck['id'], string>> = {
  load: 'A channel that is loaded too much shuts off or burns.',
  band: 'What is not sent is not heard, and what is sent to the wrong speaker breaks it.',
  power: 'Too much breaks it, too little is no louder than before.',
  wire: 'A wire that is too thin gets warm and loses what was bought; one that cannot be run is found out with the door in pieces.',
};

/** Only of channels on which something new hangs, or that are fed by something new; what stays as it was is not asked about. */
export function channelPoints(
  job: PointJob,
  openings: readonly PointOpening[],
  confidence: number,
): readonly OpenPoint[] {
  const channels = channelSheets(job, openings, confidence);
  // What is decided of an amplifier whose channels nobody noted asks for its looks all the same.
  if (channels.kind === 'notLooked')
    return [
      ...(openings.some(({ state }) => state.kind === 'chosen') ? [NOT_NOTED] : []),
      ...amplifierPoints(job, false),
    ];
  const unfed = channels.unfed.map(
    ({ id, record }): OpenPoint => ({
      ...AT_VEHICLE,
      id: `unfed ${id}`,
      words: `${placeLabel(record)}: say which channel feeds it.`,
      stake: 'Neither its load nor its band can be judged without.',
      isHeld: true,
    }),
  );
  const twice = channels.twice.map(
    (place): OpenPoint => ({
      ...AT_VEHICLE,
      id: `twice ${place}`,
      words: `${place} stands on two channels: one of them is wrong.`,
      stake: 'Two outputs on one speaker break the amplifier.',
      isHeld: true,
    }),
  );
  const hasNewOnMakers = channels.sheets.some((sheet) => sheet.isOnMakersAmplifier && hasNew(sheet));
  const changed = channels.sheets.filter((sheet) => sheet.isBypassed || hasNew(sheet));
  return [...twice, ...amplifierPoints(job, hasNewOnMakers), ...changed.flatMap(pointsOf), ...unfed];
}

const AT_VEHICLE = { station: 'wire', askedAt: null, settledAt: { kind: 'vehicle' } } as const;
const NOT_NOTED: OpenPoint = {
  ...AT_VEHICLE,
  id: 'channels',
  words: 'Note the car’s channels: what feeds each speaker.',
  stake:
    'Load, band and power of what is chosen are not judged: one that is loaded too much burns, one that sends no treble leaves a tweeter silent.',
  isHeld: true,
};

function hasNew({ newOpeningIds }: ChannelSheet): boolean {
  return newOpeningIds.length > 0;
}

function pointsOf({ number, record: { name }, checks, newOpeningIds, isBypassed }: ChannelSheet): readonly OpenPoint[] {
  return checks
    .filter(({ verdict }) => verdict !== 'clears')
    .map(({ id, verdict, sentence, settledBy }) => {
      const isHeld = verdict === 'hits' || verdict === 'hold';
      const [newId] = newOpeningIds;
      return {
        ...AT_VEHICLE,
        id: `channel ${number} ${id}`,
        words: `Channel ${name}: ${sentence}`,
        stake: [settledBy, STAKES[id]].filter(Boolean).join(' '),
        // What is wrong is chosen otherwise; what is not known is written on the vehicle.
        settledAt:
          isHeld && newId !== undefined
            ? { kind: 'match', openingId: newId }
            : { kind: isBypassed ? 'wires' : 'vehicle' },
        isHeld,
      } satisfies OpenPoint;
    });
}
