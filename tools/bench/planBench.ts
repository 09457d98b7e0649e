/** How long a large plan takes: two people's work on a car of which everything is written down. The last line is JSON. */
import { newPanel, type OpeningRecord, type Panel, type PanelSpot } from '@low-quarry/core/model';
import { carPlan, type PlanCar, schedule } from '@low-quarry/core/plan';
import { PLAIN_CAR, PLAIN_PLACE } from '@low-quarry/core/testing/plainCar';
import { PLAIN_OPENING } from '@low-quarry/core/testing/plainOpening';

const CHANGES = 15;
/** On each of four doors' cards. */
const FASTENERS = 30;

const DOORS = [
  ['frontDoorLow', 'left', 'frontLeft'],
  ['frontDoorLow', 'right', 'frontRight'],
  ['rearDoor', 'left', 'rearLeft'],
  ['rearDoor', 'right', 'rearRight'],
] as const satisfies readonly (readonly [OpeningRecord['place'], OpeningRecord['side'], PanelSpot])[];

const panels = DOORS.map(
  ([, , spot]): Panel => ({
    ...newPanel({ kind: 'doorCard', spot, name: '' }),
    fasteners: Array.from({ length: FASTENERS }, (_, at) => ({
      ...{ key: `f${at}`, kind: 'screw', where: `place ${at}`, cover: 'none', head: 'crossHead', driver: 'PH2' },
      ...{ lengthMm: 20, base: 'plastic', count: 2, marked: [] },
    })),
    attached: [],
    order: Array.from({ length: FASTENERS - 1 }, (_, at) => ({ first: `f${at}`, next: `f${at + 1}` })),
  }),
);

/** @param hung another one each time, so that nothing is found ready */
function car(hung: number): PlanCar {
  return {
    ...PLAIN_CAR,
    ...{ hasPowerWire: true, hasWarnings: true, atRadio: 'newRadio' },
    panels: panels.map((panel) => ({ ...panel, pryFrom: `corner ${hung}` })),
    openings: DOORS.map(([place, side], at) => ({
      ...{ ...PLAIN_PLACE, id: `door ${at}` },
      record: { ...PLAIN_OPENING, place, side, presence: 'fitted', behind: 'glass' },
    })),
  };
}

const took = Array.from({ length: CHANGES }, (_, change) => {
  const given = car(change);
  const start = performance.now();
  const { steps } = carPlan(given, { keysProve: false, unit: 'mm' });
  const { minutes, boundMin } = schedule(steps, 2);
  return { ms: performance.now() - start, steps: steps.length, aboveBound: minutes / boundMin - 1 };
}).sort((a, b) => a.ms - b.ms);
const middle = took[CHANGES >> 1] as (typeof took)[number];
if (middle.steps < 250) throw new Error(`planBench: expected a large plan, got ${middle.steps} steps`);
console.log(
  `a plan of ${middle.steps} steps: ${middle.ms.toFixed(1)} ms, the slowest ${took.at(-1)?.ms.toFixed(1)} ms`,
);
const aboveBound = Number(Math.max(...took.map((each) => each.aboveBound)).toFixed(3));
console.log(JSON.stringify({ planMs: Number(middle.ms.toFixed(1)), planSteps: middle.steps, aboveBound }));
