/**
 * How long a changed channel takes to judge every speaker of the largest catalogue anew: of one whose makers say ohms and RMS power, as most do, and of one
 * whose makers say every figure of every speaker, alone on its channel and beside a tweeter behind a capacitor that nobody read. The last line is JSON.
 */
import type { PartRecord, SpeakerRecord } from '@low-quarry/core/catalogue';
import { channelsSchema } from '@low-quarry/core/model';
import { candidateChannel, channelMarks, type PlayingOpening, playsOf } from '@low-quarry/core/stations';
import { largeParts } from '@low-quarry/core/testing/largeCatalogue';

const SPEAKERS = 20_000;
/** Of a speaker's own figures many are made: so many are judged, and the time is told for the whole catalogue. */
const FIGURED = 2_000;
const FIGURED_BESIDE = 100;
const CHANGES = 7;

const isSpeaker = (part: PartRecord): part is SpeakerRecord => part.kind === 'speaker';
const speakers = largeParts({ speakers: SPEAKERS, brackets: 0, seed: 1 }).filter(isSpeaker);
const asSold = speakers.map((speaker) => playsOf(speaker, []));
const figured = asSold.map((plays, at) => ({
  ...{ ...plays, coilOhm: 3.1 + (at % 977) / 977, coilMh: 0.2 + (at % 613) / 1226 },
  ...{ resonanceHz: 50 + (at % 1009) / 20, totalQ: 0.4 + (at % 811) / 1622 },
}));

function opening(place: 'frontDoorLow' | 'sailPanel', nominalSize: '6.5 in' | '1 in'): PlayingOpening {
  const record = { place, side: 'left', name: '', presence: 'fitted', nominalSize, lineFilter: null } as const;
  return { id: place, record: { ...record, oldSpeaker: null }, state: { kind: 'nothingChosen' } };
}
const door = opening('frontDoorLow', '6.5 in');
const tweeter: PlayingOpening = {
  ...opening('sailPanel', '1 in'),
  state: {
    kind: 'chosen',
    plays: {
      ...{ speakerKind: 'tweeter', impedanceOhm: 4, coilOhm: null, coilMh: null, resonanceHz: null, totalQ: null },
      ...{ rmsW: 30, sensitivityDb: 90, sensitivityAt: '1 W' },
      filter: { highPass: { hz: 4000, order: 1 }, lowPass: null },
    },
  },
};

/** @param watt another one each time, so that nothing is found ready */
function judgeAll(plays: typeof asSold, places: readonly string[], watt: number): number {
  const channels = channelsSchema.parse([
    {
      ...{ name: 'left', places, feeds: '', band: 'full', fedBy: 'radio', leastOhm: 4, note: '', grade: 'seenHere' },
      power: { watt, rating: 'RMS', atOhm: 4 },
    },
  ]);
  const start = performance.now();
  const job = { found: {}, amplifierPlan: null, crossovers: [], vehicle: { channels, facts: {} } };
  const channel = candidateChannel(job, [door, tweeter], door.id, 0.975);
  if (channel.kind !== 'known') throw new Error(`channelListBench: expected a channel, got ${channel.kind}`);
  const marks = channelMarks(plays.map(channel.checksOf));
  if (marks.verdictAt.length !== plays.length) throw new Error('channelListBench: expected a verdict for each');
  return performance.now() - start;
}

function middleMs(plays: typeof asSold, places: readonly string[]): number {
  const took = Array.from({ length: CHANGES }, (_, change) => judgeAll(plays, places, 15 + change / 10)).sort(
    (a, b) => a - b,
  );
  return took[CHANGES >> 1] as number;
}

const alone = ['Front door, left'];
const beside = [...alone, 'Sail panel, left'];
const channelListMs = middleMs(asSold, alone);
const figuredMs = middleMs(figured.slice(0, FIGURED), alone) * (SPEAKERS / FIGURED);
const besideMs = middleMs(figured.slice(0, FIGURED_BESIDE), beside) * (SPEAKERS / FIGURED_BESIDE);
console.log(
  `${SPEAKERS} speakers on a changed channel: ${channelListMs.toFixed(0)} ms; with every figure of each ${figuredMs.toFixed(0)} ms alone, ${besideMs.toFixed(0)} ms beside a filtered tweeter`,
);
console.log(
  JSON.stringify({
    channelListMs: Math.round(channelListMs),
    channelListFiguredMs: Math.round(figuredMs),
    channelListBesideMs: Math.round(besideMs),
  }),
);
