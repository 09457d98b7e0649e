/**
 * For what does not clear: the smallest changes that make it clear. Only changes that the engine has judged are named, and
 * each comes with its judgement.
 *
 * In the order in which a shop likes them: another spacer, another bracket, what a hand can change at the bench, the next
 * smaller size.
 */
import type { HarnessAdapter } from '../../wiring';
import type { Judgement } from '../Judgement';
import { bracketsOf, judgeWithHarness } from '../judgeCandidate';
import { addedParts, chainsFor, moreRingStacks, piecesCostMinor, ringStacks, ringsFor } from '../search/stacks';
import type { Candidate, FitCatalogue, FitOpening, FitRules } from '../shapes';
import type { Work } from '../work/Work';
import { benchChanges } from './benchChanges';

export type NearMiss = {
  readonly kind: 'spacer' | 'bracket' | 'smaller' | 'byHand';
  /** As it is ordered: what is changed by hand is not another part, and a plate is cut and not bought. */
  readonly candidate: Candidate;
  /** What is said of it with the change made. */
  readonly judgement: Judgement;
  /** With `byHand`: what has to be done, in this order. */
  readonly works: readonly Work[];
};

const MOST_OF_A_KIND = 2;

/**
 * @param smaller best stacks of smaller speakers, best first; those that clear are offered
 */
export function nearMisses(
  opening: FitOpening,
  candidate: Candidate,
  catalogue: FitCatalogue,
  harness: readonly HarnessAdapter[] | null,
  rules: FitRules,
  smaller: readonly Candidate[] = [],
): readonly NearMiss[] {
  const judge = (each: Candidate) => judgeWithHarness(opening, each, harness, rules, 'mm');
  const now = judge(candidate);
  if (now.verdict === 'clears') return [];
  return [
    ...otherStacks(opening, candidate, catalogue, rules, judge),
    ...benchChanges(opening, candidate, now, (at, each) => judgeWithHarness(at, each, harness, rules, 'mm'), rules).map(
      (way) => ({ kind: 'byHand' as const, candidate, ...way }),
    ),
    ...smaller
      .map((each) => ({ kind: 'smaller' as const, candidate: each, judgement: judge(each), works: [] }))
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
  const { speaker } = candidate;
  const brackets = bracketsOf(candidate);
  const clearing = (list: readonly Candidate[], kind: 'spacer' | 'bracket') =>
    [...list]
      .sort((a, b) => addedParts(a.layers) - addedParts(b.layers) || piecesCostMinor(a) - piecesCostMinor(b))
      .map((each) => ({ kind, candidate: each, judgement: judge(each), works: [] }))
      .filter(({ judgement }) => judgement.verdict === 'clears')
      .slice(0, MOST_OF_A_KIND);
  const rings = ringsFor(catalogue, rules);
  const spaced = [brackets, ...ringStacks(opening, brackets, rings, rules)].map((layers) => ({ speaker, layers }));
  const others = chainsFor(opening, speaker, catalogue, rules)
    .filter((chain) => idsOf(chain) !== idsOf(brackets))
    .map((chain) => ({ speaker, layers: chain }));
  const one = clearing(spaced, 'spacer');
  const more = () =>
    clearing(
      moreRingStacks(opening, brackets, rings, rules).map((layers) => ({ speaker, layers })),
      'spacer',
    );
  return [...(one.length > 0 ? one : more()), ...clearing(others, 'bracket')];
}

function idsOf(layers: Candidate['layers']): string {
  return layers.map(({ id }) => id).join('+');
}
