/** How far a plan is: what is ticked of it, what waits for what, and what was ticked that is no step of it any more. */
import type { Bay, StepMark } from '../model';
import type { PlanStep } from './PlanStep';

export type StepState = {
  readonly step: PlanStep;
  readonly mark: StepMark | null;
  /** Again: it was done, and the plan says something else since. */
  readonly kind: 'open' | 'done' | 'skipped' | 'again';
  /** What is still open of all that comes before it, in their order. */
  readonly before: readonly PlanStep[];
};

/** @param steps in an order that holds */
export function planStates(steps: readonly PlanStep[], bay: Pick<Bay, 'steps'>): readonly StepState[] {
  const open = new Map<string, ReadonlySet<PlanStep>>();
  return steps.map((step) => {
    const before = new Set(step.after.flatMap((id) => [...(open.get(id) ?? [])]));
    const mark = bay.steps[step.id] ?? null;
    const kind = kindOf(step, mark);
    open.set(step.id, kind === 'open' || kind === 'again' ? new Set([...before, step]) : before);
    return { step, mark, kind, before: steps.filter((each) => before.has(each)) };
  });
}

function kindOf({ print }: PlanStep, mark: StepMark | null): StepState['kind'] {
  if (mark === null || mark.state === 'noted') return 'open';
  if (mark.state === 'skipped') return 'skipped';
  return mark.print === print ? 'done' : 'again';
}

/** The first that is open and waits for nothing; null where all is done. */
export function nextStep(states: readonly StepState[]): StepState | null {
  const isOpen = ({ kind }: StepState) => kind === 'open' || kind === 'again';
  return states.find((state) => isOpen(state) && state.before.length === 0) ?? states.find(isOpen) ?? null;
}

/** Marks that are of no step of the plan: it changed after them. */
export function marksWithoutStep(steps: readonly PlanStep[], bay: Pick<Bay, 'steps'>): readonly [string, StepMark][] {
  const ids = new Set(steps.map(({ id }) => id));
  return Object.entries(bay.steps).filter(([id, mark]) => !ids.has(id) && mark.state !== 'noted');
}

/**
 * What keeps a step from being ticked as it stands. What should have come before keeps only a gate from it: what was done before its time
 * is done, and the screen says so.
 *
 * @param noted what was counted and typed at it
 * @returns what is missing, in words; null where nothing is
 */
export function missingAt(
  { step, before }: StepState,
  noted: Pick<StepMark, 'counted' | 'torque'>,
  { steps }: Pick<Bay, 'steps'>,
): string | null {
  if (step.isGate && before.length > 0)
    return `Before it: ${before
      .slice(0, 3)
      .map(({ where, what }) => `${where}: ${what}`)
      .join(' ')}${before.length > 3 ? ` And ${before.length - 3} more.` : ''}`;
  if (step.hasTorque && !noted.torque)
    return 'Its torque, as the vehicle maker’s manual has it, and where it is written.';
  const out = step.counts?.outAt ? steps[step.counts.outAt]?.counted?.pieces : null;
  const back = noted.counted?.pieces ?? null;
  if (out !== null && out !== undefined && back !== null && back < out)
    return `${out} came out, and ${back} went back: find the rest, or count what is new in its place.`;
  return null;
}

/**
 * What keeps a car from being handed over: what is never left out and is not done, and what a second person has not signed. Of a car of which
 * nothing was ticked nobody works by the plan.
 */
export function handOverHolds(steps: readonly PlanStep[], bay: Pick<Bay, 'steps'>): readonly string[] {
  if (Object.keys(bay.steps).length === 0) return [];
  return planStates(steps, bay).flatMap(({ step: { where, what, isMust, needsSecond }, kind, mark }) => {
    if (isMust && kind !== 'done') return [`${where}: ${what}`];
    return needsSecond && kind === 'done' && !mark?.seconded ? [`A second person signs. ${where}: ${what}`] : [];
  });
}
