/**
 * New wire that was decided on where a speaker was chosen, because nothing fits its plug or no wire is there: it has to get into the door. Where the
 * channel says that its wire is new, the channel's own check says this.
 */
import { isBehindHinge, knownFact, placeLabel } from '../model';
import { type ChannelCheck, newWireCheck } from '../sound';
import { bootOf, type ChannelJob, type ChannelOpening } from './channelSheets';
import { plannedChannels } from './plannedChannels';
import type { OpenPoint } from './point';

/** What is wrong with, or not known of, the way of the new wire to each such door, by opening. */
export function newWireDoubts(job: ChannelJob, openings: readonly ChannelOpening[]): ReadonlyMap<string, ChannelCheck> {
  const asFed = plannedChannels(job);
  const boot = bootOf(knownFact('boot', job.found, job.vehicle.facts)?.answer);
  const doubts = new Map<string, ChannelCheck>();
  for (const opening of openings) {
    const label = placeLabel(opening.record);
    // What a channel's check says, or a crossover's, is not said twice.
    const isSaid = asFed.some(
      ({ record: { places, wire }, crossed }) =>
        (wire === 'new' && places.includes(label)) ||
        crossed.some(({ place, output }) => place === label && output.lead !== null),
    );
    if (isSaid || !isBehindHinge(opening.record.place) || !isNewWire(opening)) continue;
    const check = newWireCheck([label], boot);
    if (check.verdict !== 'clears') doubts.set(opening.id, check);
  }
  return doubts;
}

/** Of a boot that nobody looked at the car's own question asks. */
export function newWirePoints(job: ChannelJob, openings: readonly ChannelOpening[]): readonly OpenPoint[] {
  if (knownFact('boot', job.found, job.vehicle.facts) === undefined) return [];
  return [...newWireDoubts(job, openings)].map(([openingId, { verdict, sentence, settledBy }]) => {
    const isHeld = verdict === 'hold';
    return {
      id: `new wire ${openingId}`,
      station: 'wire',
      askedAt: null,
      words: sentence,
      stake: `${settledBy} What cannot be run is found out with the door in pieces.`,
      settledAt: isHeld ? { kind: 'match', openingId } : { kind: 'facts', key: 'boot' },
      isHeld,
    };
  });
}

/** Somebody decided that new wire is run to it. */
export function isNewWire({ state }: Pick<ChannelOpening, 'state'>): boolean {
  return (
    state.kind === 'chosen' && state.open.some(({ answer }) => answer?.kind === 'cure' && answer.cure === 'newWire')
  );
}
