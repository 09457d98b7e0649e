/** Which candidate a fit screen shows. */

import { isJudgedSpeaker, isListedLayer, type ListedById } from '@low-quarry/core/catalogue';
import type { OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { FitRules, RankedSpeaker, Work } from '@low-quarry/core/fit';
import { MOST_LAYERS, ringThicknessMm } from '@low-quarry/core/fit';
import { readWorks } from './shownWorks';

export type CandidateIds = {
  readonly speakerId: string;
  readonly layerIds: readonly string[];
  readonly works: readonly Work[];
};

/**
 * What the address names; else what is chosen here; else the best candidate. What the catalogue does not have is passed over.
 *
 * @param ranked the best first; none, or only the first of them, while they are worked out
 * @returns null where only the ranking can say
 */
export function startingIds(
  search: URLSearchParams,
  { choice }: Pick<OpeningWithState, 'choice'>,
  ranked: readonly RankedSpeaker[],
  parts: ListedById,
  rules: Pick<FitRules, 'stock'>,
): CandidateIds | null {
  const isThere = (id: string) => isListedLayer(id, parts) || isCut(id, rules);
  const named = search.get('speaker');
  if (named !== null && isJudgedSpeaker(parts.get(named))) {
    const stack = search.get('stack');
    const layerIds = stack?.split(' ').filter((id) => id !== '') ?? [];
    if (stack !== null && layerIds.length <= MOST_LAYERS && layerIds.every(isThere))
      return { speakerId: named, layerIds, works: readWorks(search) };
    const found = ranked.find(({ speakerId }) => speakerId === named);
    return found ? bestOf(found) : null;
  }
  if (choice && isJudgedSpeaker(parts.get(choice.speakerId))) {
    const { speakerId, layerIds, works } = choice;
    return { speakerId, layerIds: layerIds.filter(isThere), works };
  }
  const [best] = ranked;
  return best ? bestOf(best) : null;
}

export function bestOf({ speakerId, best }: RankedSpeaker): CandidateIds {
  return { speakerId, layerIds: best.layerIds, works: [] };
}

function isCut(layerId: string, { stock }: Pick<FitRules, 'stock'>): boolean {
  const ringMm = ringThicknessMm(layerId);
  return ringMm !== null && stock.some(({ thicknessMm }) => thicknessMm === ringMm);
}
