/** What has to be at hand for the wires of a job: new wire, what its feed asks for, and what joins the ends. */
import type { ShopSettings, SmallNeed } from '../model';
import { type ChannelJob, type ChannelOpening, channelSheets } from './channelSheets';
import { jointLines, jointNeeds } from './joints';
import { type WiredJob, wireRuns } from './wireRuns';

/**
 * @param included openings that something is ordered for, or is built in
 * @returns as far as lengths and joints are known
 */
export function wiringNeeds(
  job: WiredJob & ChannelJob,
  openings: readonly ChannelOpening[],
  included: readonly ChannelOpening[],
  { confidence, schools }: Pick<ShopSettings, 'confidence' | 'schools'>,
): readonly SmallNeed[] {
  const channels = channelSheets(job, openings, confidence);
  const sheets = channels.kind === 'known' ? channels.sheets : [];
  const stays = openings.filter(({ state }) => state.kind !== 'chosen');
  return [
    ...wireRuns(job, sheets, openings, included).flatMap(({ need }) => need ?? []),
    ...jointNeeds(jointLines(sheets, [...included, ...stays], included, schools.splice)),
  ];
}
