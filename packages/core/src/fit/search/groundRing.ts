/** The ring that lies on the metal under a candidate: which ones suit, and what stands at a height where no stocked one does. */
import { READS_SAME_MM } from '../../math';
import { askCandidate, harnessFor } from '../judgeCandidate';
import { ringOf } from '../layout/rings';
import type { Candidate, FitCatalogue, FitOpening, FitRules, FitSpacer } from '../shapes';
import { Judge } from './Judge';
import { ringsFor } from './stacks';

export const WHAT_IF_ID = 'what-if';

/** Stocked rings through which the basket passes and in which the screws land, one for each height, lowest first. */
export function suitableSpacers(
  opening: FitOpening,
  candidate: Candidate,
  catalogue: Pick<FitCatalogue, 'spacers' | 'adapters'>,
  rules: FitRules,
): readonly FitSpacer[] {
  const judge = new Judge(rules);
  const harness = harnessFor(opening, candidate.speaker, catalogue.adapters);
  // Asked, not told: of all that a judgement says, one word is wanted of every ring.
  const suitable = ringsFor(catalogue, rules).filter(
    (spacer) =>
      askCandidate(judge, opening, withGroundRing(candidate, spacer), harness).gapsOf('bolts').verdict !== 'hits',
  );
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
  if (heightMm < READS_SAME_MM) return null;
  const found = stocked.find((spacer) => isSameHeight(spacer, heightMm));
  return found ?? ringOf(heightMm, { id: WHAT_IF_ID, name: 'Ring that is not in stock' });
}

/** Whether the ring is as high, as far as a fitter can read it. */
export function isSameHeight(spacer: FitSpacer, heightMm: number): boolean {
  return Math.abs(spacer.height.valueMm - heightMm) < READS_SAME_MM;
}
