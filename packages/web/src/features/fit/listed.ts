/** What the list of candidates shows: of a whole ranking, or of a first look while a hand still moves. */

import type { ListedById } from '@low-quarry/core/catalogue';
import type { Verdict } from '@low-quarry/core/fit';
import { VERDICTS_BY_RANK } from '@low-quarry/core/fit';
import { type CandidateFilter, passesFilter, passesPart } from './candidateFilter';
import type { JudgedLook, JudgedRanking, JudgedSpeaker } from './joinChannel';

export type Listed = {
  /** Of all that pass the filter, whatever group is shown. */
  readonly counts: Readonly<Record<Verdict, number>>;
  readonly total: number;
  readonly shown: readonly JudgedSpeaker[];
  /** So many belong to what is shown and are not in order yet. */
  readonly toCome: number;
  /** All that pass, in order; null while some are still to come. */
  readonly matching: readonly JudgedSpeaker[] | null;
  readonly stacksJudged: number;
};

export function listAll({ speakers, stacksJudged }: JudgedRanking, filter: CandidateFilter, parts: ListedById): Listed {
  const everyGroup = { ...filter, shown: { kind: 'all' } as const };
  const matching = speakers.filter((candidate) => passesFilter(candidate, everyGroup, parts));
  const counts = noneYet();
  for (const { best } of matching) counts[best.verdict]++;
  const shown = matching.filter((candidate) => passesFilter(candidate, filter, parts));
  return { counts, total: matching.length, shown, toCome: 0, matching, stacksJudged };
}

/**
 * @param speakerIds of the catalogue, in its order
 * @returns null where the filter asks for what a first look does not know
 */
export function listFirst(
  { verdicts, best, stacksJudged }: JudgedLook,
  speakerIds: readonly string[],
  filter: CandidateFilter,
  parts: ListedById,
): Listed | null {
  const { shown, mostMinor } = filter;
  const isKnown = shown.kind === 'all' || (shown.kind === 'verdict' && shown.verdict === 'clears');
  if (!isKnown || mostMinor !== null) return null;
  const counts = noneYet();
  let total = 0;
  speakerIds.forEach((id, at) => {
    if (!passesPart(id, filter, parts)) return;
    const verdict = VERDICTS_BY_RANK[verdicts[at] as number];
    if (!verdict) throw new Error(`listFirst: expected a verdict for ${id}, got ${verdicts[at]}`);
    counts[verdict]++;
    total++;
  });
  const listed = best.filter((candidate) => passesFilter(candidate, filter, parts));
  const belonging = shown.kind === 'all' ? total : counts.clears;
  return { counts, total, shown: listed, toCome: belonging - listed.length, matching: null, stacksJudged };
}

function noneYet(): Record<Verdict, number> {
  return { clears: 0, measure: 0, hold: 0, hits: 0 };
}
