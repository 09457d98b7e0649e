/** A check in plain figures, for a loop that reads it a hundred thousand times. */
import { VERDICT_RANK } from '../Ranking';

export type CheckFigures = {
  readonly gravity: number;
  readonly hasMargin: boolean;
  readonly isMissing: boolean;
  readonly valueMm: number;
  readonly expandedMm: number;
};

const fact = (gravity: number, isMissing = false): CheckFigures => ({
  gravity,
  hasMargin: false,
  isMissing,
  valueMm: 0,
  expandedMm: 0,
});

/** Checks that no length decides. */
export const FACT_CLEARS = fact(VERDICT_RANK.clears);
export const FACT_HOLD = fact(VERDICT_RANK.hold);
export const FACT_MISSING = fact(VERDICT_RANK.measure, true);
