/** The plan of a car with what is done of it. */
import type { Panel, ShopSettings } from '@low-quarry/core/model';
import {
  type CarPlan,
  carPlan,
  type OtherSide,
  otherSideNotes,
  planCar,
  planStates,
  type StepState,
} from '@low-quarry/core/plan';
import { useMemo } from 'react';
import { useSettings } from '../../ui/settings';
import type { CarAtHand } from './useCarInBay';

export type PlanAtHand = CarPlan & {
  readonly states: readonly StepState[];
  /** What the other side's step has for this one, by its id. */
  readonly otherSide: ReadonlyMap<string, OtherSide>;
};

/**
 * @param panels of the vehicle
 * @param shop null while it is on its way: then keys prove nothing
 */
export function usePlan(car: CarAtHand['car'], panels: readonly Panel[], shop: ShopSettings | null): PlanAtHand {
  const { unit } = useSettings();
  const keysProve = shop?.polarityProof === 'testOrKey';
  const plan = useMemo(
    () => carPlan(planCar(car.job, car.worked, panels, car), { keysProve, unit }),
    [car, panels, keysProve, unit],
  );
  return useMemo(
    () => ({
      ...plan,
      states: planStates(plan.steps, car.job.bay),
      otherSide: otherSideNotes(plan.steps, car.job.bay),
    }),
    [plan, car],
  );
}
