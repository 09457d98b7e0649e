/**
 * The heights of spacer at which everything keeps its clearance. What the glass asks from behind the grille takes away in
 * front, so there may be none; and a body whose magnet is wider than the waist before it may have a rail beside the waist at
 * low heights, in its way when raised, and past it at great ones, so there may be two.
 *
 * Every gap behind is a convex function of the height (two convex solids moved past each other), so a forbidden stretch
 * of one obstacle is one interval: steps of half a millimetre, a look into each dip, and halving at each change find it.
 */
import { leastBetween } from '../math/leastBetween';
import { exactly } from '../uncertainty/Dimension';
import type { Check, CheckId } from './Check';
import { depthCheck } from './checks/depthCheck';
import { frontMargin } from './checks/frontCheck';
import { holeCheck } from './checks/holeCheck';
import { obstaclesCheck } from './checks/obstaclesCheck';
import { terminalsCheck } from './checks/terminalsCheck';
import { type Mount, mountOf } from './mount';
import type { Candidate, FitOpening, FitRules, FitSpacer } from './shapes';

export type HeightInterval = { readonly fromMm: number; readonly toMm: number };

export type SpacerWindow = {
  /** Heights at which everything clears by the best estimate, lowest first; empty when no spacer will do. */
  readonly intervals: readonly HeightInterval[];
  /** Least height that clears everything behind, mm; null where none up to the search's end does. */
  readonly leastMm: number | null;
  /** Greatest height that keeps the front clear, mm; negative when the front is in the grille already. */
  readonly mostMm: number;
  /** What stands in the way behind without a spacer; null where nothing does. */
  readonly behindBy: CheckId | null;
};

export const HIGHEST_MM = 45;
const STEP_MM = 0.5;
const HALVINGS = 30;
/** The bottom of a dip between two samples is found to this, mm. */
const DIP_MM = 1e-6;

/**
 * The window for a speaker on its brackets, whatever spacer the candidate has.
 *
 * @returns null where a dimension it hangs on is missing
 */
export function spacerWindow(opening: FitOpening, candidate: Candidate, rules: FitRules): SpacerWindow | null {
  if (!opening.frontGap) return null;
  const bare = { ...candidate, spacer: null };
  const mount = mountOf(opening, bare);
  const behindAt = (heightMm: number) => behindChecks(opening, bare, mount, rules, heightMm);
  const first = behindAt(0);
  if (first.some(({ missing }) => missing.length > 0)) return null;
  const least = (heightMm: number) => leastMarginMm(behindAt(heightMm));
  const clear = clearStretches(least);
  const mostMm = frontMargin(opening.frontGap, bare, rules.clearancesMm.front).valueMm;
  const blocking = first.filter(({ margin }) => margin && margin.valueMm < 0);
  const worst = blocking.sort((a, b) => (a.margin?.valueMm ?? 0) - (b.margin?.valueMm ?? 0))[0];
  return {
    intervals: clear.flatMap(({ fromMm, toMm }) =>
      fromMm <= mostMm ? [{ fromMm, toMm: Math.min(toMm, mostMm) }] : [],
    ),
    leastMm: clear[0]?.fromMm ?? null,
    mostMm,
    behindBy: worst?.id ?? null,
  };
}

const RING_ID = /^ring-(\d+(?:\.\d+)?)$/;

/** The thickness of sheet, mm, that the id of a ring made from it names; null for the id of anything else. */
export function ringThicknessMm(id: string): number | null {
  const found = RING_ID.exec(id);
  return found ? Number(found[1]) : null;
}

/** A ring of any height that fits whatever it stands between: for a what-if, and for a ring cut to measure. */
export function ringOf(heightMm: number, like: Partial<FitSpacer> = {}): FitSpacer {
  return {
    id: `ring-${heightMm}`,
    name: `Ring ${heightMm} mm`,
    inner: { kind: 'circle', diameter: exactly(0) },
    outer: { kind: 'circle', diameter: exactly(0) },
    height: exactly(heightMm),
    made: true,
    pieceCostMinor: 0,
    ...like,
  };
}

function behindChecks(
  opening: FitOpening,
  bare: Candidate,
  mount: Mount,
  rules: FitRules,
  heightMm: number,
): readonly Check[] {
  const candidate = heightMm > 0 ? { ...bare, spacer: ringOf(heightMm) } : bare;
  const raised = { ...mount, pose: { ...mount.pose, raisedMm: mount.pose.raisedMm + heightMm } };
  return [depthCheck, obstaclesCheck, terminalsCheck, holeCheck].map((check) =>
    check(opening, candidate, raised, rules, 'mm'),
  );
}

function leastMarginMm(checks: readonly Check[]): number {
  return Math.min(...checks.map(({ margin }) => margin?.valueMm ?? Number.POSITIVE_INFINITY));
}

function clearStretches(marginAt: (heightMm: number) => number): readonly HeightInterval[] {
  const samples: { heightMm: number; marginMm: number }[] = [];
  for (let heightMm = 0; heightMm <= HIGHEST_MM; heightMm += STEP_MM) {
    samples.push({ heightMm, marginMm: marginAt(heightMm) });
  }
  const dips = samples.flatMap(({ marginMm }, index) => {
    const before = samples[index - 1];
    const after = samples[index + 1];
    const isDip = before && after && marginMm > 0 && marginMm < before.marginMm && marginMm < after.marginMm;
    if (!isDip) return [];
    const bottom = leastBetween(marginAt, before.heightMm, after.heightMm, DIP_MM);
    return [{ heightMm: bottom, marginMm: marginAt(bottom) }];
  });
  const all = [...samples, ...dips].sort((a, b) => a.heightMm - b.heightMm);
  const stretches: HeightInterval[] = [];
  let fromMm: number | null = (all[0]?.marginMm ?? -1) >= 0 ? 0 : null;
  all.forEach(({ heightMm, marginMm }, index) => {
    const before = all[index - 1];
    if (!before) return;
    if (fromMm === null && marginMm >= 0) fromMm = edgeBetween(marginAt, before.heightMm, heightMm);
    else if (fromMm !== null && marginMm < 0) {
      stretches.push({ fromMm, toMm: edgeBetween(marginAt, heightMm, before.heightMm) });
      fromMm = null;
    }
  });
  if (fromMm !== null) stretches.push({ fromMm, toMm: HIGHEST_MM });
  return stretches;
}

/** The height at which the margin becomes zero, between one that hits and one that clears. */
function edgeBetween(marginAt: (heightMm: number) => number, hits: number, clears: number): number {
  let bad = hits;
  let good = clears;
  for (let step = 0; step < HALVINGS; step++) {
    const middle = (bad + good) / 2;
    if (marginAt(middle) >= 0) good = middle;
    else bad = middle;
  }
  return good;
}
