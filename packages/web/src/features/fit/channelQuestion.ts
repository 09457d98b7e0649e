/** What a channel is asked by, and no more: another length, and another word of the car, ask nothing anew. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { PlayingOpening } from '@low-quarry/core/stations';
import type { ChannelQuestion } from '../../workers/channelOfCatalogue';

type Asked = Omit<ChannelQuestion, 'job' | 'openings'>;

export function channelQuestion(
  { found, amplifierPlan, crossovers, vehicle: { channels, facts } }: Job,
  openings: readonly OpeningWithState[],
  asked: Asked,
): ChannelQuestion {
  return {
    ...asked,
    job: { found, amplifierPlan, crossovers, vehicle: { channels, facts } },
    // What is chosen here is what is asked about.
    openings: openings.map((each) => playing(each, each.id !== asked.openingId)),
  };
}

function playing({ id, record, state }: OpeningWithState, counts: boolean): PlayingOpening {
  const { place, side, name, presence, nominalSize, oldSpeaker, lineFilter } = record;
  return {
    id,
    record: { place, side, name, presence, nominalSize, oldSpeaker, lineFilter },
    state: state.kind === 'chosen' ? { kind: 'chosen', plays: counts ? state.plays : null } : { kind: state.kind },
  };
}
