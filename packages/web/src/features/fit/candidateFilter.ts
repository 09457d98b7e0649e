/** Which candidates the list shows, as it stands in the address bar. */
import { CHECK_IDS, type CheckId, type Verdict } from '@low-quarry/core/fit/Check';
import type { RankedSpeaker } from '@low-quarry/core/fit/rankCandidates';
import { VERDICTS } from '../../text/words';

export type CandidateFilter =
  | { readonly kind: 'all' }
  | { readonly kind: 'verdict'; readonly verdict: Verdict }
  | { readonly kind: 'check'; readonly check: CheckId };

/** Anything that is not understood shows everything. */
export function readFilter(text: string | null): CandidateFilter {
  const verdict = VERDICTS.find((each) => each === text);
  if (verdict) return { kind: 'verdict', verdict };
  const check = CHECK_IDS.find((each) => `not-${each}` === text);
  return check ? { kind: 'check', check } : { kind: 'all' };
}

export function writeFilter(filter: CandidateFilter): string | null {
  if (filter.kind === 'all') return null;
  return filter.kind === 'verdict' ? filter.verdict : `not-${filter.check}`;
}

export function passesFilter({ best }: RankedSpeaker, filter: CandidateFilter): boolean {
  if (filter.kind === 'all') return true;
  if (filter.kind === 'verdict') return best.verdict === filter.verdict;
  return best.verdict !== 'clears' && best.decidedBy === filter.check;
}
