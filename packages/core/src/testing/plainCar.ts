/** A car of which nothing is asked besides what a test says, and what goes into one place of it: for tests of the plan. */
import type { PlanCar } from '../plan/carPlan';
import type { PlanOpening } from '../plan/openingSteps';
import { PLAIN_OPENING } from './plainOpening';

export const PLAIN_CAR: PlanCar = {
  ...{ openings: [], panels: [], joints: [], runs: [], boxes: [], crossovers: [], quieted: [] },
  ...{ lostWithoutSupply: '', hasPowerWire: false, hasWarnings: false, atRadio: null },
};

export const PLAIN_PLACE: PlanOpening = {
  ...{ id: 'a', record: PLAIN_OPENING, speakerName: 'Shoal' },
  ...{ isTweeter: false, works: [], ringsMm: [], hasTabs: false },
};
