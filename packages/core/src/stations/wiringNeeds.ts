/** What has to be at hand for the wires of a job: new wire, what its feed asks for, and what joins the ends. */
import {
  outputWords,
  placeLabel,
  type ShopSettings,
  type SmallNeed,
  STOWED_LABELS,
  type Stowed,
  stowedWords,
} from '../model';
import { type ChannelJob, type ChannelOpening, channelSheets } from './channelSheets';
import { type JointOpening, jointLines, jointNeeds } from './joints';
import { crossedPlaces } from './plannedChannels';
import { type WiredJob, wireRuns } from './wireRuns';

/**
 * @param included openings that something is ordered for, or is built in
 * @returns as far as lengths and joints are known
 */
export function wiringNeeds(
  job: WiredJob & ChannelJob,
  openings: readonly JointOpening[],
  included: readonly JointOpening[],
  { confidence, schools }: Pick<ShopSettings, 'confidence' | 'schools'>,
): readonly SmallNeed[] {
  const channels = channelSheets(job, openings, confidence);
  const sheets = channels.kind === 'known' ? channels.sheets : [];
  const stays = openings.filter(({ state }) => state.kind !== 'chosen');
  return [
    ...wireRuns(job, sheets, openings, included).flatMap(({ need }) => need ?? []),
    ...crossoverNeeds(job, included),
    ...boxNeeds(job.stowed),
    ...jointNeeds(jointLines(sheets, [...included, ...stays], included, schools.splice)),
  ];
}

/** Those that come in no set's box. */
function crossoverNeeds({ crossovers }: ChannelJob, included: readonly ChannelOpening[]): readonly SmallNeed[] {
  const labels = new Set(included.map(({ record }) => placeLabel(record)));
  return crossovers
    .filter((crossover) => crossover.comes === 'own' && crossedPlaces(crossover).some(({ place }) => labels.has(place)))
    .map(({ name, outputs }) => ({
      what: `Crossover, ${name}`,
      why: `It is in no set’s box: ${outputs.map(outputWords).join('; ')}.`,
    }));
}

/** What is put in now; what comes later is not bought yet. */
function boxNeeds(stowed: readonly Stowed[]): readonly SmallNeed[] {
  return stowed
    .filter(({ isLater }) => !isLater)
    .map((each) => ({
      what: `${STOWED_LABELS[each.kind]}: ${each.name}`,
      why: `It is put into the car: ${stowedWords(each)}.`,
    }));
}
