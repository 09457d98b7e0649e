/** Where to begin with the crossovers of a car: a woofer and a tweeter that are chosen for one side are likely a set, and have one between them. */
import {
  type Channel,
  type Crossover,
  type JobFacts,
  placeLabel,
  SIDES,
  UNDECIDED_BOX,
  type VehicleRecord,
} from '../model';
import type { ChannelOpening } from './channelSheets';

/** @returns one for each side with both, by the channel of its woofer; nothing of it is decided by this */
export function likelyCrossovers(
  {
    crossovers,
    vehicle: { channels },
  }: Pick<JobFacts, 'crossovers'> & { readonly vehicle: Pick<VehicleRecord, 'channels'> },
  openings: readonly ChannelOpening[],
): readonly Crossover[] {
  const led = new Set(
    crossovers.flatMap(({ outputs }) => outputs).flatMap(({ ends }) => (ends?.kind === 'place' ? [ends.place] : [])),
  );
  const free = openings.filter(({ record }) => !led.has(placeLabel(record)));
  return SIDES.flatMap((side): Crossover[] => {
    const chosen = (kind: string) =>
      free.filter(
        ({ record, state }) => record.side === side && state.kind === 'chosen' && state.plays?.speakerKind === kind,
      );
    const [tweeter, moreTweeters] = chosen('tweeter');
    const woofers = chosen('component woofer');
    const woofer =
      woofers.length === 1 ? woofers[0] : woofers.find(({ record: { place } }) => place === 'frontDoorLow');
    if (!tweeter || moreTweeters || !woofer) return [];
    return [likely(side, woofer, tweeter, channels ?? [])];
  });
}

function likely(
  side: string,
  woofer: ChannelOpening,
  tweeter: ChannelOpening,
  channels: readonly Channel[],
): Crossover {
  const [low, high] = [placeLabel(woofer.record), placeLabel(tweeter.record)];
  return {
    name: side,
    channel: channels.find(({ places }) => places.includes(low))?.name ?? '',
    outputs: [
      { to: 'tweeter', ends: { kind: 'place', place: high }, filter: null, lead: null },
      { to: 'woofer', ends: { kind: 'place', place: low }, filter: null, lead: null },
    ],
    ...UNDECIDED_BOX,
  };
}
