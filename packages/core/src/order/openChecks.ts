/**
 * What of a choice is open, the gravest first, and what was answered to it. A choice may be ordered when every check clears or
 * has been answered: with a reason where it is to be measured or hits, with a cure where it holds. What can only be looked at
 * when the part is here stays open and holds no order back.
 */

import type { Judgement, OpeningFacts } from '../fit';
import { type Check, type CheckId, type CountsFor, graver, type Verdict } from '../fit';
import { READS_SAME_MM } from '../math';
import { type Answer, type CureId, curesFor, liftWords, takesReason } from './answers';

export type OpenCheck = {
  readonly check: CheckId;
  readonly verdict: Exclude<Verdict, 'clears'>;
  readonly countsFor: CountsFor;
  readonly marginMm: number | null;
  readonly expandedMm: number | null;
  readonly sentence: string;
  /** What would lift it; empty unless it holds, and where it has to be looked at first. */
  readonly cures: readonly CureId[];
  /** What answers it; null while nothing does. */
  readonly answer: Answer | null;
  /** What was answered to a milder or another finding of the same check. */
  readonly outgrown: Answer | null;
};

/** For a choice, what no millimetre settles is graver than a hit. */
const CHOICE_GRAVITY: Readonly<Record<Verdict, number>> = { clears: 0, measure: 1, hits: 2, hold: 3 };

export function openChecks(
  { checks }: Pick<Judgement, 'checks'>,
  answers: readonly Answer[],
  opening: OpeningFacts,
): readonly OpenCheck[] {
  return checks
    .flatMap((check) => (check.verdict === 'clears' ? [] : [toOpen(check, check.verdict, answers, opening)]))
    .sort(byGravity);
}

function toOpen(
  { id, countsFor, margin, sentence }: Check,
  verdict: OpenCheck['verdict'],
  answers: readonly Answer[],
  opening: OpeningFacts,
): OpenCheck {
  const said = answers.find(({ check }) => check === id) ?? null;
  const cures = verdict === 'hold' ? curesFor(id, opening) : [];
  const marginMm = margin?.valueMm ?? null;
  const isAnswered = said !== null && covers(said, { verdict, countsFor, marginMm, sentence }, cures);
  return {
    check: id,
    verdict,
    countsFor,
    marginMm,
    expandedMm: margin?.expandedMm ?? null,
    sentence,
    cures,
    answer: isAnswered ? said : null,
    outgrown: isAnswered ? null : said,
  };
}

/** Whether an answer is to this finding, or was to a graver one of the same check. */
export function covers(answer: Answer, now: Answer['found'], cures: readonly CureId[]): boolean {
  const { found } = answer;
  if (found.countsFor !== now.countsFor) return false;
  if (answer.kind === 'cure') return now.verdict === 'hold' && cures.includes(answer.cure) && isSameFact(found, now);
  if (now.verdict === 'hold' || found.verdict === 'hold') return false;
  if (graver(now.verdict, found.verdict) !== found.verdict) return false;
  if (found.marginMm === null || now.marginMm === null) return isSameFact(found, now);
  return now.marginMm >= found.marginMm - READS_SAME_MM;
}

function isSameFact(found: Answer['found'], now: Answer['found']): boolean {
  return found.marginMm === null && now.marginMm === null && found.sentence === now.sentence;
}

function byGravity(a: OpenCheck, b: OpenCheck): number {
  const rank = ({ verdict, countsFor }: OpenCheck) => (countsFor === 'arrival' ? 0 : CHOICE_GRAVITY[verdict]);
  return rank(b) - rank(a) || (a.marginMm ?? 0) - (b.marginMm ?? 0);
}

/** The open checks that keep a choice off the order list. */
export function unanswered(open: readonly OpenCheck[]): readonly OpenCheck[] {
  return open.filter(({ answer, countsFor }) => answer === null && countsFor !== 'arrival');
}

/** What a choice is called by: its gravest open check, or null where all of them clear. */
export function gravestOf(open: readonly OpenCheck[]): OpenCheck | null {
  const [first] = open;
  return first && first.countsFor !== 'arrival' ? first : null;
}

/** Why a choice is held back, as a sentence for its gravest open check; null when it may be ordered. */
export function heldBackBecause(open: readonly OpenCheck[], verdictWhenChosen: Verdict): string | null {
  const [first, ...others] = unanswered(open);
  if (!first) return null;
  const more =
    others.length === 0 ? '' : ` ${others.length} more ${others.length === 1 ? 'check is' : 'checks are'} open.`;
  return `${whyOf(first, verdictWhenChosen)}${more}`;
}

function whyOf({ verdict, countsFor, cures, outgrown }: OpenCheck, verdictWhenChosen: Verdict): string {
  if (!takesReason({ verdict })) return liftWords(cures);
  if (outgrown) return 'What was written was for a milder or another finding.';
  if (countsFor === 'opening') return 'Nobody has looked, and no reason is written.';
  return verdictWhenChosen === 'clears'
    ? 'It cleared when it was chosen and does not any more.'
    : 'It does not clear and no reason is written.';
}
