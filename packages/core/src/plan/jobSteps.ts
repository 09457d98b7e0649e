/** The steps of a job by what the shop has of it, in the shop's unit: for who asks once. */
import type { ShopSettings } from '../model';
import type { PointJob, PointOpening } from '../stations';
import { carInBay } from './carInBay';
import { carPlan } from './carPlan';
import type { PlanStep } from './PlanStep';
import { type PlannedOpening, planCar } from './planCar';

/** @param panels of its vehicle, which a job comes without */
export function jobSteps(
  job: PointJob & { readonly ended: object | null },
  openings: readonly (PointOpening & PlannedOpening)[],
  panels: Parameters<typeof planCar>[2],
  shop: ShopSettings,
): readonly PlanStep[] {
  const { worked, ...wires } = carInBay(job, openings, shop);
  const keysProve = shop.polarityProof === 'testOrKey';
  return carPlan(planCar(job, worked, panels, wires), { keysProve, unit: shop.unit }).steps;
}
