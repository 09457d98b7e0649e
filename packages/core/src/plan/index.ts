/**
 * The work on a car, step by step. A **plan** follows from the record alone: each **step** names the line that it follows from, and changes with it;
 * what nobody looked at is a step that says so.
 */
export { brokenNeeds } from './brokenNeeds';
export { type CarInBay, carInBay, isBeforeWork } from './carInBay';
export { type CarPlan, carPlan, type PlanCar } from './carPlan';
export { jobSteps } from './jobSteps';
export type { PlanOpening } from './openingSteps';
export { type OtherSide, otherSideNotes } from './otherSide';
export type { Counts, Marked, PlanStep } from './PlanStep';
export { type PlanWires, planCar } from './planCar';
export { handOverHolds, marksWithoutStep, missingAt, nextStep, planStates, type StepState } from './planStates';
export { type Schedule, type Slot, schedule } from './schedule';
export { planTools, sharedTools } from './tools';
export type { PlanBox } from './wireSteps';
