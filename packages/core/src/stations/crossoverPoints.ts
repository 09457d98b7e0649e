/** What has to be decided or put right of the crossovers before what they feed is ordered, and what is ordered without one. */
import type { CrossoverCheckId } from '../sound';
import type { ChannelOpening } from './channelSheets';
import { type CrossoverJob, type CrossoverSheet, crossoverSheets } from './crossoverSheets';
import type { OpenPoint } from './point';

const STAKES: Readonly<Record<CrossoverCheckId, string>> = {
  input: 'What nothing feeds is silent.',
  outputs: 'A tweeter on the woofer’s output dies, and a bare end is a short.',
  filters: 'What is written down is what the load of its channel is worked out by.',
  place: 'What does not go in is found out with the car in pieces.',
  leads: 'A wire that nobody planned is found out with the door in pieces.',
};

const AT_WIRES = { station: 'wire', askedAt: null, settledAt: { kind: 'wires' } } as const;

export function crossoverPoints(
  job: CrossoverJob,
  openings: readonly ChannelOpening[],
  confidence: number,
): readonly OpenPoint[] {
  return crossoverSheets(job, openings, confidence).flatMap((sheet) => [...checkPoints(sheet), ...recordPoints(sheet)]);
}

function checkPoints({ record: { name }, checks }: CrossoverSheet): readonly OpenPoint[] {
  return checks
    .filter(({ verdict }) => verdict !== 'clears')
    .map(({ id, verdict, sentence, settledBy }) => ({
      ...AT_WIRES,
      id: `crossover ${name} ${id}`,
      words: `Crossover ${name}: ${sentence}`,
      stake: [settledBy, STAKES[id]].filter(Boolean).join(' '),
      isHeld: verdict === 'hold' || verdict === 'hits',
    }));
}

/** What no check asks, and somebody has to know who builds it in. */
function recordPoints({ record: { name, at, heldBy, comes } }: CrossoverSheet): readonly OpenPoint[] {
  return [
    ...(at !== null && heldBy === ''
      ? [
          {
            ...AT_WIRES,
            id: `crossover ${name} held`,
            words: `Crossover ${name}: say what holds it.`,
            stake: 'Loose in a door it rattles, and breaks its leads.',
            isHeld: false,
          },
        ]
      : []),
    ...(comes === null
      ? [
          {
            ...AT_WIRES,
            id: `crossover ${name} comes`,
            words: `Crossover ${name}: say where it comes from.`,
            stake:
              'One that was not made for these speakers may load its channel far more, and what is on no list is missing when the car is there.',
            isHeld: false,
          },
        ]
      : []),
  ];
}
