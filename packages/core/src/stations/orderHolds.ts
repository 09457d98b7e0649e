/** Why nothing is ordered for an opening, nor built in, though its shape would let it: by its wires, or by what a tweeter is to sit in. */
import type { JobFacts } from '../model';
import type { ChannelOpening } from './channelSheets';
import type { CrossoverJob } from './crossoverSheets';
import { type SeatOpening, type SeatShop, seatChecks } from './tweeterSeats';
import { wireHolds } from './wireHolds';

/** @returns in words, by opening; those that nothing holds are not in it */
export function orderHolds(
  job: CrossoverJob & Pick<JobFacts, 'consents'>,
  openings: readonly (ChannelOpening & SeatOpening)[],
  shop: SeatShop,
): ReadonlyMap<string, string> {
  const holds = new Map(wireHolds(job, openings, shop.confidence));
  for (const { openingId, verdict, sentence, settledBy } of seatChecks(openings, job.consents, shop)) {
    if (verdict !== 'hold' && verdict !== 'hits') continue;
    const words = [holds.get(openingId), `Its seat: ${sentence}`, settledBy];
    holds.set(openingId, words.filter(Boolean).join(' '));
  }
  return holds;
}
