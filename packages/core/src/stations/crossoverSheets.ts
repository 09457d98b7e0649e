/** Each crossover of a job, with what it is judged by: what feeds it, what its outputs end at, where it lies. */
import {
  type Crossover,
  isBehindHinge,
  type JobFacts,
  knownFact,
  nameKey,
  placeLabel,
  type VehicleRecord,
} from '../model';
import { type CrossoverCheck, type JudgedCrossover, type JudgedOutput, judgeCrossover, type OutputEnd } from '../sound';
import { boxPlace, laidIn, type PlaceCheck } from './boxPlace';
import { bootOf, type ChannelJob, type ChannelOpening, channelLoadOf } from './channelSheets';
import { crossedPlaces, plannedChannels } from './plannedChannels';

export type CrossoverSheet = {
  readonly record: Crossover;
  readonly checks: readonly CrossoverCheck[];
  /** Of the openings that its outputs end at, those whose speaker is new. */
  readonly newOpeningIds: readonly string[];
};

/** What of a job its crossovers are judged by. */
export type CrossoverJob = ChannelJob &
  Pick<JobFacts, 'stowed'> & { readonly vehicle: Pick<VehicleRecord, 'channels' | 'facts' | 'spaces'> };

/**
 * @param confidence one-sided, the shop's, between 0.5 and 1 exclusive
 * @returns in the order in which they are kept
 */
export function crossoverSheets(
  job: CrossoverJob,
  openings: readonly ChannelOpening[],
  confidence: number,
): readonly CrossoverSheet[] {
  const byLabel = new Map(openings.map((opening) => [placeLabel(opening.record), opening]));
  return job.crossovers.map((record) => ({
    record,
    checks: [...judgeCrossover(judgedOf(record, job, byLabel)), { id: 'place', ...placeOf(record, job, confidence) }],
    newOpeningIds: crossedPlaces(record).flatMap(({ place }) => {
      const opening = byLabel.get(place);
      return opening?.state.kind === 'chosen' ? [opening.id] : [];
    }),
  }));
}

function placeOf({ at, space }: Crossover, job: CrossoverJob, confidence: number): PlaceCheck {
  if (space !== '') return boxPlace(space, laidIn(job), job.vehicle.spaces, confidence);
  const open = { verdict: 'measure', margin: null } as const;
  if (at === null)
    return {
      ...open,
      sentence: 'Nobody decided where it lies.',
      settledBy: 'Choose where, and one of the vehicle’s spaces.',
    };
  return {
    ...open,
    sentence: 'Whether it goes in there nobody can say: none of the vehicle’s spaces is chosen for it.',
    settledBy:
      at === 'door'
        ? 'Measure what is free behind the card, glass down, and note it with the vehicle as a space.'
        : 'Measure what is free there, and note it with the vehicle as a space.',
  };
}

function judgedOf(record: Crossover, job: ChannelJob, byLabel: ReadonlyMap<string, ChannelOpening>): JudgedCrossover {
  const { channel, outputs, at, isAtFork } = record;
  return {
    isChannelsNoted: job.vehicle.channels !== null,
    input: channel === '' ? null : inputOf(record, job),
    outputs: outputs.map(
      (output): JudgedOutput => ({
        to: output.to,
        filter: output.filter as JudgedOutput['filter'],
        lead: output.lead,
        end: endOf(output, record, job, byLabel),
      }),
    ),
    at,
    isAtFork,
    boot: bootOf(knownFact('boot', job.found, job.vehicle.facts)?.answer),
  };
}

function inputOf({ name, channel }: Crossover, job: ChannelJob): NonNullable<JudgedCrossover['input']> {
  const planned = plannedChannels(job).find(({ noted }) => nameKey(noted.name) === nameKey(channel));
  if (!planned) return { name: channel, isThere: false, joined: 'parallel', besides: [], crossovers: [] };
  const { record, crossed, noted } = planned;
  const isCrossed = (place: string) => crossed.some((each) => each.place === place);
  const others = new Set(crossed.map(({ crossover }) => crossover.name).filter((other) => other !== name));
  return {
    name: noted.name,
    isThere: true,
    joined: record.joined,
    besides: [...record.places.filter((place) => !isCrossed(place)), ...(record.feeds === '' ? [] : [record.feeds])],
    crossovers: [...others],
  };
}

function endOf(
  { to, ends }: Crossover['outputs'][number],
  { name }: Crossover,
  { crossovers, vehicle: { channels } }: ChannelJob,
  byLabel: ReadonlyMap<string, ChannelOpening>,
): OutputEnd {
  if (ends === null) return { kind: 'notDecided' };
  if (ends.kind === 'unused') return ends;
  const label = ends.place;
  const opening = byLabel.get(label);
  if (!opening) return { kind: 'noSuchPlace', label };
  const load = channelLoadOf(opening);
  const alsoFedBy = crossovers
    .flatMap(crossedPlaces)
    .filter(({ place, crossover, output }) => place === label && (crossover.name !== name || output.to !== to))
    .map(({ crossover, output }) =>
      crossover.name === name ? `the ${output.to}’s` : `the ${output.to}’s of ${crossover.name}`,
    );
  const own = (channels ?? []).find(({ places }) => places.includes(label));
  return {
    ...{ kind: 'place', label, alsoFedBy },
    hasSpeaker: load !== null,
    driver: load?.kind ?? null,
    isInDoor: isBehindHinge(opening.record.place),
    ownChannel: own?.name ?? null,
  };
}
