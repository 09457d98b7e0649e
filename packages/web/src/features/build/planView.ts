/** What is shown of a car's plan. */
import { hoursWords } from '@low-quarry/core/model';
import type { PlanStep, Schedule, StepState } from '@low-quarry/core/plan';

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

export type Stretch = { readonly where: string; readonly startMin: number; readonly endMin: number };

/** What each person is at, from when to when: steps that follow at one place are one stretch. */
export function peopleLanes(
  steps: readonly PlanStep[],
  { people, slots }: Pick<Schedule, 'people' | 'slots'>,
): readonly (readonly Stretch[])[] {
  const places = new Map(steps.map(({ id, where }) => [id, where]));
  return Array.from({ length: people }, (_, person) => {
    const lane: { where: string; startMin: number; endMin: number }[] = [];
    for (const { id, startMin, endMin, who } of slots) {
      if (!who.includes(person)) continue;
      const where = places.get(id) ?? '';
      const last = lane.at(-1);
      if (last?.where === where && startMin - last.endMin < WAIT_MIN) last.endMin = endMin;
      else lane.push({ where, startMin, endMin });
    }
    return lane;
  });
}

/** Who waits less goes on with what they were at, min. */
const WAIT_MIN = 1;

/** "about 1 h 25 min": to five minutes, for nobody knows it better. */
export function aboutWords(minutes: number): string {
  const whole = Math.max(5, Math.round(minutes / 5) * 5);
  return `about ${hoursWords(whole)}`;
}

/** Of one step: "2 min", "under a minute". */
export function stepMinutes(minutes: number): string {
  return minutes < 1 ? 'Under a minute' : `${Math.round(minutes)} min`;
}

export type ScrewFields = {
  readonly where: string;
  readonly side: PlanStep['side'];
  readonly fields: readonly { readonly bag: string; readonly words: string; readonly count: number | null }[];
};

/** What comes off each panel and is put aside, kind by kind; none of a panel that nobody described. */
export function screwFields(steps: readonly PlanStep[]): readonly ScrewFields[] {
  const ofPanels = steps.filter(({ id }) => id.startsWith('panel '));
  return [...new Set(ofPanels.map(({ where }) => where))].map((where) => {
    const own = ofPanels.filter((step) => step.where === where);
    return {
      where,
      side: own[0]?.side ?? null,
      fields: own.flatMap(({ bag, from, counts }) =>
        bag && counts?.way === 'off' ? [{ bag, words: from, count: counts.count }] : [],
      ),
    };
  });
}
