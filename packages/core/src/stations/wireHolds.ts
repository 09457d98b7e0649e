/** Why nothing is ordered for an opening, nor built in: its channel does not feed or stand what is chosen, or new wire does not get there. */
import { placeLabel } from '../model';
import { bypassHold } from './amplifierPoints';
import { type ChannelOpening, channelSheets } from './channelSheets';
import { type CrossoverJob, crossoverSheets } from './crossoverSheets';
import { newWireDoubts } from './newWirePoints';

const NOT_NOTED =
  'Nobody noted this car’s channels: whether one feeds it, and stands it, is not judged. Note them on the vehicle.';
const UNFED = 'No channel is noted that feeds it: say on the vehicle which does.';
const TWICE = 'It stands on two channels, and one of them is wrong: put it right on the vehicle.';

/** Why nothing may be ordered for an opening by its wires; those that may be are not in it. */
export function wireHolds(
  job: CrossoverJob,
  openings: readonly ChannelOpening[],
  confidence: number,
): ReadonlyMap<string, string> {
  const channels = channelSheets(job, openings, confidence);
  const holds = new Map<string, string>();
  const hold = (id: string, words: string) => holds.set(id, [holds.get(id), words].filter(Boolean).join(' '));
  const bypass = bypassHold(job);
  if (channels.kind === 'notLooked') {
    // Which of them hang on the amplifier that is bypassed nobody knows.
    const words = [bypass, NOT_NOTED].filter(Boolean).join(' ');
    for (const { id, state } of openings) if (state.kind === 'chosen') hold(id, words);
  } else {
    for (const { id } of channels.unfed) hold(id, UNFED);
    for (const { id, record, state } of openings)
      if (state.kind === 'chosen' && channels.twice.includes(placeLabel(record))) hold(id, TWICE);
    for (const { record, checks, newOpeningIds, isBypassed } of channels.sheets) {
      const held = checks.filter(({ verdict }) => verdict === 'hold' || verdict === 'hits');
      const said = [isBypassed ? bypass : null, ...held.flatMap(({ sentence, settledBy }) => [sentence, settledBy])];
      const words = said.filter(Boolean).join(' ');
      if (words !== '') for (const id of newOpeningIds) hold(id, `Channel ${record.name}: ${words}`);
    }
  }
  for (const { record, checks, newOpeningIds } of crossoverSheets(job, openings, confidence)) {
    const held = checks.filter(({ verdict }) => verdict === 'hold' || verdict === 'hits');
    const words = held.flatMap(({ sentence, settledBy }) => [sentence, settledBy]).filter(Boolean);
    if (words.length > 0) for (const id of newOpeningIds) hold(id, `Crossover ${record.name}: ${words.join(' ')}`);
  }
  for (const [id, { verdict, sentence, settledBy }] of newWireDoubts(job, openings))
    if (verdict === 'hold') hold(id, [sentence, settledBy].filter(Boolean).join(' '));
  return holds;
}
