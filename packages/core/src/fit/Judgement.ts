/** What is said of one candidate in one opening. */

import type { Pose } from '../geometry';
import type { HarnessAdapter } from '../wiring';
import type { Check, CheckId, Verdict } from './Check';
import type { Joint } from './mates/Joint';
import type { Placement } from './mates/placements';

/** How a candidate sits in its opening. */
export type Mount = {
  /** Of the brackets and then of the speaker, from the vehicle up; empty where the vehicle's screws are not known. */
  readonly joints: readonly Joint[];
  readonly placement: Placement;
  readonly pose: Pose;
};

/** The checks whose words are the candidate's own: what is open for the opening, or until the part is here, is not. */
export function ownChecks({ checks }: Pick<Judgement, 'checks'>): readonly Check[] {
  return checks.filter(({ countsFor }) => countsFor === 'candidate');
}

export type Judgement = {
  /** The gravest word of the checks that count for the candidate. */
  readonly verdict: Verdict;
  /** In the order of `CHECK_IDS`, one of each; what stays free is asked of what is built on alone. */
  readonly checks: readonly Check[];
  readonly decidedBy: CheckId;
  /** That every length clears at once, 0 to 1; null where a dimension is missing or something holds: nobody can say. */
  readonly chance: number | null;
  readonly mount: Mount;
  /** The adapters that the connector check found; empty when none is needed or none was found. */
  readonly harness: readonly HarnessAdapter[];
};
