/**
 * For what does not clear: the smallest changes that make it clear. Only changes that the engine has judged are named, and
 * each comes with its judgement.
 *
 * In the order in which a shop likes them: another spacer, another bracket, the grille's cloth cut behind the tallest part,
 * new holes, the next smaller size.
 */
import type { Check, CheckId } from './Check';
import { frontMargin } from './checks/frontCheck';
import { type Judgement, judgeWithHarness } from './judgeCandidate';
import type { Candidate, FitCatalogue, FitHarnessAdapter, FitOpening, FitRules, MountMaterial } from './shapes';
import { addedParts, chainsFor, piecesCostMinor, spacersFor } from './stackSearch';

export type NearMiss =
  | { readonly kind: 'spacer' | 'bracket'; readonly candidate: Candidate; readonly judgement: Judgement }
  | { readonly kind: 'cutCloth'; readonly candidate: Candidate; readonly missingMm: number }
  | {
      readonly kind: 'drill';
      readonly candidate: Candidate;
      /** New holes, and through what. */
      readonly holes: number;
      readonly material: MountMaterial;
    }
  | { readonly kind: 'smaller'; readonly candidate: Candidate; readonly judgement: Judgement };

/** The tallest part may stand so far into the cloth once it is cut away there (common practice, no source), mm. */
const CLOTH_MM = 6;
const MOST_OF_A_KIND = 2;

/**
 * @param smaller best stacks of smaller speakers, best first; those that clear are offered
 */
export function nearMisses(
  opening: FitOpening,
  candidate: Candidate,
  catalogue: FitCatalogue,
  harness: readonly FitHarnessAdapter[] | null,
  rules: FitRules,
  smaller: readonly Candidate[] = [],
): readonly NearMiss[] {
  const judge = (each: Candidate) => judgeWithHarness(opening, each, harness, rules, 'mm');
  const now = judge(candidate);
  if (now.verdict === 'clears') return [];
  return [
    ...otherStacks(opening, candidate, catalogue, rules, judge),
    ...cutCloth(opening, candidate, now, rules),
    ...drilled(opening, candidate, now),
    ...smaller
      .map((each) => ({ kind: 'smaller' as const, candidate: each, judgement: judge(each) }))
      .filter(({ judgement }) => judgement.verdict === 'clears')
      .slice(0, MOST_OF_A_KIND),
  ];
}

/** Other spacers on these brackets, then other brackets, that clear: fewest parts first, then the cheapest. */
function otherStacks(
  opening: FitOpening,
  candidate: Candidate,
  catalogue: FitCatalogue,
  rules: FitRules,
  judge: (each: Candidate) => Judgement,
): readonly NearMiss[] {
  const { speaker, brackets } = candidate;
  const clearing = (list: readonly Candidate[], kind: 'spacer' | 'bracket') =>
    [...list]
      .sort((a, b) => addedParts(a) - addedParts(b) || piecesCostMinor(a) - piecesCostMinor(b))
      .map((each) => ({ kind, candidate: each, judgement: judge(each) }))
      .filter(({ judgement }) => judgement.verdict === 'clears')
      .slice(0, MOST_OF_A_KIND);
  const spaced = [null, ...spacersFor(opening, { brackets }, catalogue, rules)].map((spacer) => ({
    speaker,
    brackets,
    spacer,
  }));
  const others = chainsFor(opening, speaker, catalogue, rules)
    .filter((chain) => idsOf(chain) !== idsOf(brackets))
    .map((chain) => ({ speaker, brackets: chain, spacer: null }));
  return [...clearing(spaced, 'spacer'), ...clearing(others, 'bracket')];
}

function idsOf(brackets: Candidate['brackets']): string {
  return brackets.map(({ id }) => id).join('+');
}

/** Only where the front alone is in the way, and by little. */
function cutCloth(opening: FitOpening, candidate: Candidate, now: Judgement, rules: FitRules): readonly NearMiss[] {
  if (!onlyFails(now, 'front') || !opening.frontGap) return [];
  const gapMm = frontMargin(opening.frontGap, candidate, 0).valueMm;
  const margin = checkOf(now, 'front').margin;
  if (!margin || gapMm < -CLOTH_MM || -margin.valueMm > CLOTH_MM + rules.clearancesMm.front) return [];
  return [{ kind: 'cutCloth', candidate, missingMm: -margin.valueMm }];
}

/** Only where the screws alone are in the way: how many of them need a new hole. */
function drilled(opening: FitOpening, candidate: Candidate, now: Judgement): readonly NearMiss[] {
  const [first] = now.mount.joints;
  if (!onlyFails(now, 'bolts') || !first || candidate.brackets.length > 0) return [];
  const { rotation, toleranceMm } = first.joint;
  const holes = rotation.misalignmentsMm.filter((each) => each > toleranceMm).length;
  return holes > 0 ? [{ kind: 'drill', candidate, holes, material: opening.material }] : [];
}

function onlyFails({ checks }: Judgement, id: CheckId): boolean {
  return checks.every((check) => (check.id === id ? check.verdict !== 'clears' : check.verdict === 'clears'));
}

function checkOf({ checks }: Judgement, id: CheckId): Check {
  const found = checks.find((check) => check.id === id);
  if (!found) throw new Error(`nearMisses: expected a check ${id}`);
  return found;
}
