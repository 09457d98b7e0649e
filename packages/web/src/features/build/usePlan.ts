/** The plan of a car with what is done of it. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { Bay, Panel, ShopSettings } from '@low-quarry/core/model';
import { type CarPlan, carPlan, type PlanWires, planCar, planStates, type StepState } from '@low-quarry/core/plan';
import { useMemo } from 'react';
import { useSettings } from '../../ui/settings';

export type PlanAtHand = CarPlan & { readonly states: readonly StepState[] };

type PlanGiven = {
  readonly job: Job;
  /** Those that are worked on. */
  readonly openings: readonly OpeningWithState[];
  readonly panels: readonly Panel[];
  readonly wires: PlanWires;
  readonly bay: Bay;
  /** Null while it is on its way: then keys prove nothing. */
  readonly shop: ShopSettings | null;
};

export function usePlan({ job, openings, panels, wires, bay, shop }: PlanGiven): PlanAtHand {
  const { unit } = useSettings();
  const keysProve = shop?.polarityProof === 'testOrKey';
  const plan = useMemo(
    () => carPlan(planCar(job, openings, panels, wires), { keysProve, unit }),
    [job, openings, panels, wires, keysProve, unit],
  );
  return useMemo(() => ({ ...plan, states: planStates(plan.steps, bay) }), [plan, bay]);
}
