/** One step of the work on a car, and the line of the record that it follows from. */
import { fnv1a } from '../math';
import type { Instruction, Panel, PanelMark } from '../model';

export type PlanStep = {
  /** The same as long as the line is there. */
  readonly id: string;
  /** Such as "Door card, front left", "Front door, left", "Battery". */
  readonly where: string;
  /** Of the car; null where it is of neither. */
  readonly side: 'left' | 'right' | null;
  readonly what: string;
  /** What of the record says so, in its words. */
  readonly from: string;
  /** What nobody looked at or decided, with what to do about it; null where it is known. */
  readonly open: string | null;
  readonly tools: readonly string[];
  /** Common practice until the shop knows better. */
  readonly minutes: number;
  /** What follows from it waits so long, while it dries; min. */
  readonly dryMin: number;
  readonly people: 1 | 2;
  /** What can hurt, or break, at this very step. */
  readonly cautions: readonly string[];
  /** Steps without which it does not begin. */
  readonly after: readonly string[];
  /** Of what it says, whatever unit it is shown in: what was ticked stands as long as this does. */
  readonly print: string;
  /** What is counted at it, and how many there should be; null where nothing is. */
  readonly counts: Counts | null;
  /** Where the pieces go, and come from again, such as "A2"; null where there are none. */
  readonly bag: string | null;
  /** Where it is on its panel; null where it is on none, or nobody marked it. */
  readonly marked: Marked | null;
  /** What others wrote of how it is done, with who worked by it. */
  readonly follows: readonly Instruction[];
  /** A torque of the vehicle maker's manual is typed in. */
  readonly hasTorque: boolean;
  /** A second person looks, and signs. */
  readonly needsSecond: boolean;
  /** Not ticked while anything before it is open: a panel over a speaker, supply over a plug. */
  readonly isGate: boolean;
  /** Never left out. */
  readonly isMust: boolean;
  /** Of a side of which the other one was done before: its minutes are of who has learnt it there. */
  readonly isSecondSide: boolean;
};

export type Marked = Pick<Panel, 'kind' | 'spot'> & { readonly at: readonly PanelMark[] };

export type Counts = {
  readonly what: string;
  readonly way: 'off' | 'on';
  /** Null where nobody counted them. */
  readonly count: number | null;
  /** The step at which the same came out. */
  readonly outAt: string | null;
};

/**
 * A step as it is written down; what is left out is nothing, one person, nothing before it.
 *
 * `says` is what a tick stands on where the words change with the unit.
 */
export type NewStep = Pick<PlanStep, 'id' | 'where' | 'what' | 'from' | 'minutes'> &
  Partial<Omit<PlanStep, 'print'>> & { readonly says?: string };

export function stepOf({ says, ...step }: NewStep): PlanStep {
  return {
    ...{ side: null, open: null, tools: [], dryMin: 0, people: 1, cautions: [], after: [] },
    ...{
      counts: null,
      bag: null,
      marked: null,
      follows: [],
      hasTorque: false,
      needsSecond: false,
      isGate: false,
      isMust: false,
      isSecondSide: false,
    },
    ...step,
    print: printOf(says ?? step.what),
  };
}

function printOf(text: string): string {
  return fnv1a(text).toString(16).padStart(8, '0');
}
