/** A check in plain figures, for a loop that reads it a hundred thousand times. */
import type { Check } from '../Check';

/** Verdicts as numbers, in the order of gravity: the greater, the graver. It is also their order in a ranking. */
export const GRAVITY_OF = { clears: 0, measure: 1, hold: 2, hits: 3 } as const;

export type CheckFigures = {
  readonly gravity: number;
  readonly hasMargin: boolean;
  readonly isMissing: boolean;
  readonly valueMm: number;
  readonly expandedMm: number;
};

export function figuresOf({ verdict, margin, missing }: Check): CheckFigures {
  return {
    gravity: GRAVITY_OF[verdict],
    hasMargin: margin !== null,
    isMissing: missing.length > 0,
    valueMm: margin?.valueMm ?? 0,
    expandedMm: margin?.expandedMm ?? 0,
  };
}
