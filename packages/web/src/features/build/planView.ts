/** What is shown of a car's plan. */
import type { PlanStep, StepState } from '@low-quarry/core/plan';

export type PlanGroup = { readonly where: string; readonly states: readonly StepState[] };

/** Steps that follow one another at one place stand under its name. */
export function planGroups(states: readonly StepState[]): readonly PlanGroup[] {
  const groups: { readonly where: string; readonly states: StepState[] }[] = [];
  for (const state of states) {
    const { where } = state.step;
    const last = groups.at(-1);
    if (last?.where === where) last.states.push(state);
    else groups.push({ where, states: [state] });
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
