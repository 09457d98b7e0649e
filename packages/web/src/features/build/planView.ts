/** What is shown of a car's plan. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { crossoverWords, type Panel, stowedWords } from '@low-quarry/core/model';
import type { PlanCar, PlanOpening, PlanStep } from '@low-quarry/core/plan';
import type { JointLine, WireRun } from '@low-quarry/core/stations';

export type PlanWires = { readonly joints: readonly JointLine[]; readonly runs: readonly WireRun[] };

/** What the plan follows from. */
export function planCar(
  { lostWithoutSupply, stowed, crossovers, amplifierPlan }: PlannedJob,
  openings: readonly OpeningWithState[],
  panels: readonly Panel[],
  { joints, runs }: PlanWires,
): PlanCar {
  const now = stowed.filter(({ isLater }) => !isLater);
  return {
    ...{ panels, joints, runs, lostWithoutSupply },
    openings: openings.flatMap(({ id, record, state }): PlanOpening[] =>
      state.kind === 'chosen'
        ? [
            {
              ...{ id, record, speakerName: state.speakerName, works: state.works },
              isTweeter: state.plays?.speakerKind === 'tweeter',
            },
          ]
        : [],
    ),
    boxes: [
      ...crossovers.map((each) => ({ what: `Crossover ${each.name}`, words: crossoverWords(each) })),
      ...now.map((each) => ({ what: each.name, words: stowedWords(each) })),
    ],
    hasPowerWire:
      now.some(({ kind }) => kind === 'amplifier') ||
      (amplifierPlan?.kind === 'bypass' && amplifierPlan.by === 'addedAmplifier'),
  };
}

type PlannedJob = Pick<Job, 'lostWithoutSupply' | 'stowed' | 'crossovers' | 'amplifierPlan'>;

export type PlanGroup = { readonly where: string; readonly steps: readonly PlanStep[] };

/** Steps that follow one another at one place stand under its name. */
export function planGroups(steps: readonly PlanStep[]): readonly PlanGroup[] {
  const groups: { readonly where: string; readonly steps: PlanStep[] }[] = [];
  for (const step of steps) {
    const last = groups.at(-1);
    if (last?.where === step.where) last.steps.push(step);
    else groups.push({ where: step.where, steps: [step] });
  }
  return groups;
}

/** "about 1 h 25 min": to five minutes, for nobody knows it better. */
export function aboutWords(minutes: number): string {
  const whole = Math.max(5, Math.round(minutes / 5) * 5);
  const [hours, rest] = [Math.floor(whole / 60), whole % 60];
  return `about ${[hours > 0 ? `${hours} h` : '', rest > 0 ? `${rest} min` : ''].filter(Boolean).join(' ')}`;
}

/** Of one step: "2 min", "under a minute". */
export function stepMinutes(minutes: number): string {
  return minutes < 1 ? 'Under a minute' : `${Math.round(minutes)} min`;
}

/** Each once, in the order in which it is first taken up. */
export function planTools(steps: readonly PlanStep[]): readonly string[] {
  return [...new Set(steps.flatMap(({ tools }) => tools))];
}
