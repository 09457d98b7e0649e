/**
 * Whether a chosen candidate may stand on the order list.
 *
 * It may when it clears now, or when somebody wrote down why it is ordered all the same. A reason covers the verdict it
 * was written for and any milder one: a reason for "measure first" is none for "hits". What a second plug may carry is
 * no part of that verdict: a warning sound that is lost is lost whatever was written about the glass.
 */
import { graver, type Verdict } from '../fit/Check';

export type ChoiceStanding = {
  /** The verdict at the time of choosing. */
  readonly verdictWhenChosen: Verdict;
  readonly reason: string | null;
};

/**
 * Why the choice is held back, as a sentence, or null when it may be ordered.
 *
 * @param secondPlug why the opening is on hold for its second plug; null where it is not
 */
export function heldBackBecause(
  now: Verdict,
  { verdictWhenChosen, reason }: ChoiceStanding,
  secondPlug: string | null,
): string | null {
  if (secondPlug !== null) return `No written reason lifts this hold. ${secondPlug}`;
  if (now === 'clears') return null;
  if (reason === null) {
    return verdictWhenChosen === 'clears'
      ? 'It cleared when it was chosen and does not any more.'
      : 'It does not clear and no reason is written.';
  }
  return graver(now, verdictWhenChosen) === verdictWhenChosen
    ? null
    : 'The written reason was for a milder verdict than the present one.';
}
