/** One step of the work on a car, and the line of the record that it follows from. */

export type PlanStep = {
  /** The same as long as the line is there. */
  readonly id: string;
  /** Such as "Door card, front left", "Front door, left", "Battery". */
  readonly where: string;
  readonly what: string;
  /** What of the record says so, in its words. */
  readonly from: string;
  /** What nobody looked at or decided, with what to do about it; null where it is known. */
  readonly open: string | null;
  readonly tools: readonly string[];
  /** Common practice until the shop knows better. */
  readonly minutes: number;
  readonly people: 1 | 2;
  /** What can hurt, or break, at this very step. */
  readonly cautions: readonly string[];
  /** Steps without which it does not begin. */
  readonly after: readonly string[];
};

/** A step as it is written down; what is left out is nothing, one person, nothing before it. */
export type NewStep = Pick<PlanStep, 'id' | 'where' | 'what' | 'from' | 'minutes'> & Partial<PlanStep>;

export function stepOf(step: NewStep): PlanStep {
  return { open: null, tools: [], people: 1, cautions: [], after: [], ...step };
}
