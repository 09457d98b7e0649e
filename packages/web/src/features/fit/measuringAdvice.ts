/** What to measure, where a candidate is an open question: the one dimension that makes most of the doubt. */
import { doubtfulDimension } from '@low-quarry/core/fit/doubtfulDimension';
import type { Judgement } from '@low-quarry/core/fit/judgeCandidate';
import { OPENING_DIMENSIONS } from '@low-quarry/core/model/openingDimensions';
import { ORIGIN_LABELS } from '@low-quarry/core/model/source';

/** null where the candidate is no open question, or nothing at the door would tell more. */
export function measuringAdvice({ verdict, checks, decidedBy }: Judgement): string | null {
  if (verdict !== 'measure') return null;
  const margin = checks.find(({ id }) => id === decidedBy)?.margin;
  const doubt = margin ? doubtfulDimension(margin) : null;
  if (!doubt) return null;
  const name = OPENING_DIMENSIONS[doubt.key].label.toLowerCase();
  const again = doubt.origin === 'takenHere' ? 'take it again, or several times' : 'take it on this car';
  return `Measure the ${name}: ${Math.floor(doubt.share * 100)} % of the doubt is there (${ORIGIN_LABELS[doubt.origin]}); ${again}.`;
}
