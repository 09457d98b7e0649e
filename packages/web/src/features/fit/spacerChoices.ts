/** The spacers that suit a speaker in an opening, and what stands at a height where no stocked one does. */
import { judgeCandidate } from '@low-quarry/core/fit/judgeCandidate';
import type { Candidate, FitCatalogue, FitOpening, FitRules, FitSpacer } from '@low-quarry/core/fit/shapes';
import { exactly } from '@low-quarry/core/uncertainty/Dimension';

export const WHAT_IF_ID = 'what-if';
export const MOST_SPACER_MM = 30;
/** Two heights closer than this are the same to a fitter. */
const SAME_MM = 0.05;

/** Stocked rings through which the basket passes and in which the screws land, one for each height, lowest first. */
export function suitableSpacers(
  opening: FitOpening,
  candidate: Candidate,
  { spacers, adapters }: FitCatalogue,
  rules: FitRules,
): readonly FitSpacer[] {
  const suitable = spacers.filter((spacer) => {
    const { checks } = judgeCandidate(opening, { ...candidate, spacer }, adapters, rules);
    return checks.every(({ id, verdict }) => (id !== 'hole' && id !== 'bolts') || verdict !== 'hits');
  });
  const byHeight = [...suitable].sort(
    (a, b) => a.height.valueMm - b.height.valueMm || a.pieceCostMinor - b.pieceCostMinor,
  );
  return byHeight.filter((spacer, index) => !isSameHeight(spacer, byHeight[index - 1]?.height.valueMm ?? -1));
}

/**
 * The spacer at a height: none at zero, the stocked one where there is one, otherwise a ring of that height that nobody
 * has, to see what it would do.
 */
export function spacerAt(
  heightMm: number,
  stocked: readonly FitSpacer[],
  like: FitSpacer | null,
  candidate: Candidate,
): FitSpacer | null {
  if (heightMm < SAME_MM) return null;
  const found = stocked.find((spacer) => isSameHeight(spacer, heightMm));
  if (found) return found;
  const { basket, flange } = candidate.speaker;
  const pattern = like ?? stocked[0] ?? { inner: basket, outer: candidate.bracket?.plate ?? flange };
  return {
    id: WHAT_IF_ID,
    name: 'Ring that is not in stock',
    inner: pattern.inner,
    outer: pattern.outer,
    height: exactly(heightMm),
    pieceCostMinor: 0,
  };
}

function isSameHeight(spacer: FitSpacer, heightMm: number): boolean {
  return Math.abs(spacer.height.valueMm - heightMm) < SAME_MM;
}
