/**
 * The heights of spacer at which glass and grille both keep their clearance: H_min ≤ H ≤ H_max. What the glass asks
 * from behind the grille takes away in front, so the window can be empty, and then no spacer of any height will do.
 */
import { type Quantity, sumOf } from '../uncertainty/Quantity';
import { behindClearanceMm, depthMargin } from './checks/depthCheck';
import { frontMargin } from './checks/frontCheck';
import type { Candidate, FitOpening, FitRules } from './shapes';

export type SpacerWindow = {
  /** Least height of spacer that keeps the glass clear, mm; 0 where none is needed. */
  readonly leastMm: number;
  /** Greatest height that keeps the front clear, mm; below `leastMm` when the window is empty. */
  readonly mostMm: number;
  /** Width of the window, with what it depends on. */
  readonly width: Quantity;
};

/**
 * The window for a speaker on its bracket, whatever spacer the candidate has.
 *
 * @returns null where a depth is missing, or nothing stands behind so that no spacer is ever needed
 */
export function spacerWindow(opening: FitOpening, candidate: Candidate, rules: FitRules): SpacerWindow | null {
  if (!opening.frontGap || !opening.depthBehind || opening.behind === 'nothing') return null;
  const bare = { ...candidate, spacer: null };
  const depth = depthMargin(opening.depthBehind, bare, behindClearanceMm(opening.behind, rules));
  const front = frontMargin(opening.frontGap, bare, rules.clearancesMm.front);
  const needsNone = depth.valueMm >= 0;
  return {
    leastMm: needsNone ? 0 : -depth.valueMm,
    mostMm: front.valueMm,
    width: needsNone ? front : sumOf(front, depth),
  };
}
