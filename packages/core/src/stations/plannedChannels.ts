/** A car's channels as they will be fed, once it is decided whether the maker's amplifier stays, and what hangs on a crossover. */
import {
  type AmplifierPlan,
  type Bypass,
  type Channel,
  type Crossover,
  type CrossoverOutput,
  type JobFacts,
  nameKey,
  type PlanSource,
  type VehicleRecord,
} from '../model';

export function isOnMakersAmplifier({ fedBy }: Pick<Channel, 'fedBy'>): boolean {
  return fedBy === 'factoryAmplifier';
}

/** An output of a crossover that ends at a place. */
export type CrossedPlace = { readonly place: string; readonly crossover: Crossover; readonly output: CrossoverOutput };

export type PlannedChannel = {
  /** As the car came. */
  readonly noted: Channel;
  /** With the places that hang on it now, itself or by a crossover. */
  readonly record: Channel;
  readonly isBypassed: boolean;
  /** Of its places, those that a crossover leads to. */
  readonly crossed: readonly CrossedPlace[];
  /** Places that hung on it in the car as it came, and hang on another channel's crossover now. */
  readonly takenOff: readonly string[];
};

/** What of a job its channels are planned by. */
export type PlannedJob = Pick<JobFacts, 'amplifierPlan' | 'crossovers'> & {
  readonly vehicle: Pick<VehicleRecord, 'channels'>;
};

/**
 * A place that a crossover leads to hangs on the crossover's channel, and on no other: what led to it in the car as it came is taken off. One whose
 * crossover has no channel yet stays where it was.
 *
 * @returns none where nobody noted the channels
 */
export function plannedChannels({
  vehicle: { channels },
  amplifierPlan,
  crossovers,
}: PlannedJob): readonly PlannedChannel[] {
  const noted = channels ?? [];
  const names = new Set(noted.map(({ name }) => nameKey(name)));
  const crossed = crossovers.filter(({ channel }) => names.has(nameKey(channel))).flatMap(crossedPlaces);
  const places = new Set(crossed.map(({ place }) => place));
  return noted.map((each) => {
    const record = plannedChannel(each, amplifierPlan);
    const here = crossed.filter(({ crossover: { channel } }) => nameKey(channel) === nameKey(each.name));
    const isHere = (place: string) => here.some((at) => at.place === place);
    return {
      noted: each,
      takenOff: record.places.filter((place) => places.has(place) && !isHere(place)),
      isBypassed: record !== each,
      crossed: here,
      record: {
        ...record,
        places: [
          ...new Set([
            ...record.places.filter((place) => !places.has(place) || isHere(place)),
            ...here.map(({ place }) => place),
          ]),
        ],
      },
    };
  });
}

export function crossedPlaces(crossover: Crossover): readonly CrossedPlace[] {
  return crossover.outputs.flatMap((output) =>
    output.ends?.kind === 'place' ? [{ place: output.ends.place, crossover, output }] : [],
  );
}

/**
 * Past the amplifier a channel carries everything, whatever the amplifier let through, and loads what feeds it now. Those that it did not feed
 * stay as they are.
 */
function plannedChannel(channel: Channel, plan: AmplifierPlan): Channel {
  return plan?.kind === 'bypass' && isOnMakersAmplifier(channel) ? bypassed(channel, plan) : channel;
}

function bypassed(channel: Channel, { by, leads, leastOhm, power }: Bypass): Channel {
  return {
    ...channel,
    fedBy: FED_BY[by],
    band: 'full',
    leastOhm,
    power,
    wire: leads === 'new' ? 'new' : (channel.wire ?? 'factory'),
  };
}

const FED_BY: Readonly<Record<PlanSource, NonNullable<Channel['fedBy']>>> = {
  newRadio: 'radio',
  addedAmplifier: 'addedAmplifier',
};
