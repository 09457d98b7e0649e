/** What is open for an opening whatever is chosen for it, the gravest first: said once, above all candidates. */
import type { Check, CheckId } from './Check';
import type { Judgement } from './Judgement';
import { openingHolds } from './margins/checks/facts';
import { notLookedWords } from './margins/checks/obstacles';
import type { FitOpening } from './shapes';

export type OpenForOpening = Pick<Check, 'verdict' | 'sentence'> & { readonly check: CheckId };

/** @param shown of the candidate that is looked at: some looks are asked for by what it is made of alone, such as a wire notch */
export function openForOpening(opening: FitOpening, shown: Pick<Judgement, 'checks'>): readonly OpenForOpening[] {
  const known: readonly OpenForOpening[] = [
    ...openingHolds(opening).map((each) => ({ ...each, verdict: 'hold' as const })),
    ...(opening.obstaclesLooked
      ? []
      : [{ check: 'obstacles' as const, verdict: 'measure' as const, sentence: notLookedWords(opening) }]),
  ];
  const others = shown.checks.filter(
    ({ id, countsFor, verdict }) =>
      countsFor === 'opening' && verdict !== 'clears' && known.every(({ check }) => check !== id),
  );
  return [...known, ...others.map(({ id, verdict, sentence }) => ({ check: id, verdict, sentence }))];
}
