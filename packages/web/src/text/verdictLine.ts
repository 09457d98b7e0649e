/** A verdict in one line, never without its margin and what decides it: "Clears by 3.1 mm ± 0.8 at the glass". */
import type { CheckId, Judgement, Verdict } from '@low-quarry/core/fit';
import { checkPlace } from '@low-quarry/core/fit';
import type { OpeningRecord } from '@low-quarry/core/model';
import type { OpenCheck } from '@low-quarry/core/order';
import type { LengthUnit } from '@low-quarry/core/units';
import { printMargin, printPlusMinus } from '@low-quarry/core/units';
import { VERDICT_WORDS } from './words';

export type VerdictFacts = {
  readonly verdict: Verdict;
  readonly decidedBy: CheckId;
  readonly marginMm: number | null;
  readonly expandedMm: number | null;
};

/** Of a whole judgement: its word, with the margin of the check that decides. */
export function factsOf({ verdict, decidedBy, checks }: Judgement): VerdictFacts {
  const margin = checks.find(({ id }) => id === decidedBy)?.margin;
  return { verdict, decidedBy, marginMm: margin?.valueMm ?? null, expandedMm: margin?.expandedMm ?? null };
}

/** The same of a check of a choice that does not clear. */
export function openCheckLine(
  { check, verdict, marginMm, expandedMm, countsFor }: OpenCheck,
  behind: OpeningRecord['behind'],
  unit: LengthUnit,
): string {
  if (countsFor === 'opening' && verdict === 'measure') return `Look first ${checkPlace(check, behind)}.`;
  if (countsFor === 'arrival')
    return `${verdict === 'measure' ? 'Look' : 'Put right'} on arrival ${checkPlace(check, behind)}.`;
  return `${verdictLine({ verdict, decidedBy: check, marginMm, expandedMm }, behind, unit)}.`;
}

export function verdictLine(
  { verdict, decidedBy, marginMm, expandedMm }: VerdictFacts,
  behind: OpeningRecord['behind'],
  unit: LengthUnit,
): string {
  const word = VERDICT_WORDS[verdict];
  const place = checkPlace(decidedBy, behind);
  if (marginMm === null || expandedMm === null) return `${word} ${place}`;
  const plusMinus = `± ${printPlusMinus(expandedMm, unit)}`;
  const margin = printMargin(marginMm, unit);
  switch (verdict) {
    case 'clears':
      return `${word} by ${margin.replace('+', '')} ${unit} ${plusMinus} ${place}`;
    case 'hits':
      return `${word} ${place}: ${margin.replace('−', '')} ${unit} ${plusMinus} too little`;
    default:
      return `${word}: ${margin} ${unit} ${plusMinus} ${place}`;
  }
}
