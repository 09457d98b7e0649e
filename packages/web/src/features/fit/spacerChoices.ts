/** The spacers that suit a speaker in an opening, and what stands at a height where no stocked one does. */

import type { Candidate, FitCatalogue, FitOpening, FitRules, FitSpacer } from '@low-quarry/core/fit';
import { judgeCandidate, madeRings, ringOf } from '@low-quarry/core/fit';

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
  const suitable = [...spacers, ...madeRings(rules)].filter((spacer) => {
    const { checks } = judgeCandidate(opening, withGroundRing(candidate, spacer), adapters, rules);
    return checks.every(({ id, verdict }) => id !== 'bolts' || verdict !== 'hits');
  });
  const byHeight = [...suitable].sort(
    (a, b) =>
      a.height.valueMm - b.height.valueMm || Number(a.made) - Number(b.made) || a.pieceCostMinor - b.pieceCostMinor,
  );
  return byHeight.filter((spacer, index) => !isSameHeight(spacer, byHeight[index - 1]?.height.valueMm ?? -1));
}

/** The ring that lies on the metal itself, which the slider moves. */
export function groundRing({ layers }: Pick<Candidate, 'layers'>): FitSpacer | null {
  const [first] = layers;
  return first?.kind === 'spacer' ? first : null;
}

/** The candidate with another ring, or none, on the metal. */
export function withGroundRing(candidate: Candidate, ring: FitSpacer | null): Candidate {
  const others = groundRing(candidate) ? candidate.layers.slice(1) : candidate.layers;
  return { ...candidate, layers: ring ? [ring, ...others] : others };
}

/**
 * The spacer at a height: none at zero, the stocked one where there is one, otherwise a ring of that height that nobody
 * has, to see what it does.
 */
export function spacerAt(heightMm: number, stocked: readonly FitSpacer[]): FitSpacer | null {
  if (heightMm < SAME_MM) return null;
  const found = stocked.find((spacer) => isSameHeight(spacer, heightMm));
  return found ?? ringOf(heightMm, { id: WHAT_IF_ID, name: 'Ring that is not in stock' });
}

function isSameHeight(spacer: FitSpacer, heightMm: number): boolean {
  return Math.abs(spacer.height.valueMm - heightMm) < SAME_MM;
}
