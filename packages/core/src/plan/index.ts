/**
 * The work on a car, step by step. A **plan** follows from the record alone: each **step** names the line that it follows from, and changes with it;
 * what nobody looked at is a step that says so.
 */
export { type CarPlan, carPlan, type PlanCar } from './carPlan';
export type { PlanOpening } from './openingSteps';
export type { PlanStep } from './PlanStep';
export type { PlanBox } from './wireSteps';
