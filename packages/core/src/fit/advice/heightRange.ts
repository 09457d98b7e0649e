/**
 * The heights of a ring at which everything keeps its clearance. What the glass asks from behind the grille takes away in
 * front, so there may be none; and a body whose magnet is wider than the waist before it may have a rail beside the waist at
 * low heights, in its way when raised, and past it at great ones, so there may be two ranges.
 *
 * Every gap behind is a convex function of the height (two convex solids moved past each other), so a forbidden stretch
 * of one obstacle is one interval: steps of half a millimetre, a look into each dip, and halving at each change find it.
 */

import { leastBetween } from '../../math';
import { CHECK_IDS, type CheckId } from '../Check';
import { bracketsOf } from '../judgeCandidate';
import { ringOf } from '../layout/rings';
import { speakerShape } from '../layout/SpeakerShape';
import { frontAskedMm } from '../margins/checks/front';
import { CHECK_TABLE } from '../margins/checkTable';
import { jointsOf } from '../mates/joints';
import { type Placement, placementsOf } from '../mates/placements';
import { Judge } from '../search/Judge';
import type { Candidate, FitOpening, FitRules } from '../shapes';

export type HeightInterval = { readonly fromMm: number; readonly toMm: number };

export type HeightRange = {
  /** Heights at which everything clears by the best estimate, lowest first; empty when no ring will do. */
  readonly intervals: readonly HeightInterval[];
  /** Least height that clears everything behind, mm; null where none up to the search's end does. */
  readonly leastMm: number | null;
  /** Greatest height that keeps the front clear, mm; negative when the front is in the grille already. */
  readonly mostMm: number;
  /** What stands in the way behind without a ring; null where nothing does. */
  readonly behindBy: CheckId | null;
};

export const HIGHEST_MM = 45;
const STEP_MM = 0.5;
const HALVINGS = 30;
/** The bottom of a dip between two samples is found to this, mm. */
const DIP_MM = 1e-6;
/** What a ring changes behind the metal. */
const BEHIND = CHECK_IDS.filter((id) => CHECK_TABLE[id].setsHeight === 'least');
const FRONT = CHECK_IDS.filter((id) => CHECK_TABLE[id].setsHeight === 'most');

/**
 * The range for a speaker on its brackets, whatever rings the candidate has.
 *
 * @returns null where a dimension it depends on is missing
 */
export function heightRange(opening: FitOpening, candidate: Candidate, rules: FitRules): HeightRange | null {
  if (!opening.frontGap) return null;
  const { speaker } = candidate;
  const brackets = bracketsOf(candidate);
  const joints = jointsOf(opening, { speaker, layers: brackets }, rules);
  const judge = new Judge(rules);
  const { view } = judge;
  view.setOpening(opening);
  view.setSpeaker(speaker);
  view.setStack(brackets, joints);
  const placements = placementsOf(brackets, speakerShape(speaker).looks, joints, opening);
  const placement = judge.bestPlacement(placements, 'hits') as Placement;
  const askAt = (heightMm: number, checks = BEHIND) => {
    view.setStack(heightMm > 0 ? [ringOf(heightMm), ...brackets] : brackets, joints);
    view.setPlacement(placement);
    return checks.map((id) => {
      const gaps = judge.gapsOf(id);
      gaps.begin(false);
      CHECK_TABLE[id].ask(view, gaps, rules);
      return { id, isMissing: gaps.isMissing, marginMm: gaps.hasMargin ? gaps.valueMm : Number.POSITIVE_INFINITY };
    });
  };
  const first = askAt(0);
  if (first.some(({ isMissing }) => isMissing)) return null;
  const clear = clearStretches((heightMm) => Math.min(...askAt(heightMm).map(({ marginMm }) => marginMm)));
  view.setStack(brackets, joints);
  const gapMm = opening.frontGap.valueMm - view.raisedMm - view.speaker.frontMm - frontAskedMm(opening, rules);
  const mostMm =
    opening.front.length === 0
      ? gapMm
      : highestInFront((heightMm) => Math.min(...askAt(heightMm, FRONT).map(({ marginMm }) => marginMm)));
  const [worst] = first.filter(({ marginMm }) => marginMm < 0).sort((a, b) => a.marginMm - b.marginMm);
  return {
    intervals: clear.flatMap(({ fromMm, toMm }) =>
      fromMm <= mostMm ? [{ fromMm, toMm: Math.min(toMm, mostMm) }] : [],
    ),
    leastMm: clear[0]?.fromMm ?? null,
    mostMm,
    behindBy: worst?.id ?? null,
  };
}

/** A higher stack has no more room in front than a lower one. */
function highestInFront(marginAt: (heightMm: number) => number): number {
  const lowest = marginAt(0);
  if (lowest < 0) return lowest;
  return marginAt(HIGHEST_MM) >= 0 ? HIGHEST_MM : edgeBetween(marginAt, HIGHEST_MM, 0);
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
