/**
 * How often the engine is right: simulates openings whose true shapes are known, measures them as a shop would, and holds
 * what the engine says against the truth. Seeded; the same seed gives the same figures. Last line JSON.
 */

import { nextMeasurements } from '@low-quarry/core/fit/advice/nextMeasurement';
import type { CheckId } from '@low-quarry/core/fit/Check';
import { rimPlaceList } from '@low-quarry/core/model/opening';
import { SHOP_DEFAULTS, toFitRules } from '@low-quarry/core/model/shop';
import { SOURCE_HALF_WIDTHS_MM } from '@low-quarry/core/model/source';
import { judgeSimulated, simulateCar, writtenOpening } from '@low-quarry/core/testing/simulation';

const CARS = Number(process.argv[2] ?? 2000);
const SEED = Number(process.argv[3] ?? 1);
const CHECKS: readonly CheckId[] = ['hole', 'depth', 'obstacles', 'front', 'bolts'];
/** A margin so few half-widths above zero is near the limit. */
const NEAR = 2;
/** Fewer open candidates than this do not tell one measurement from another. */
const LEAST_OPEN = 3;

const rules = toFitRules({ name: 'Calibration', ...SHOP_DEFAULTS });
const say = (line: string) => console.log(line);

const tally = new Map<CheckId, { asked: number; held: number }>(CHECKS.map((id) => [id, { asked: 0, held: 0 }]));
let clears = 0;
let nearClears = 0;
let falseClears = 0;
let worstFalseClearMm = 0;
let questions = 0;
let best = 0;
let regret = 0;

for (let car = 0; car < CARS; car++) {
  const simulated = simulateCar(SEED * 1_000_003 + car);
  const opening = writtenOpening(simulated.record);
  const judged = simulated.speakers.map(({ claimed, real }) => ({
    said: judgeSimulated(opening, claimed, rules),
    is: judgeSimulated(simulated.real, real, rules),
  }));
  for (const { said, is } of judged) {
    said.checks.forEach(({ id, margin, verdict }, at) => {
      const truth = is.checks[at]?.margin;
      const count = tally.get(id);
      if (!margin || !truth || !count || margin.expandedMm === 0) return;
      count.asked++;
      if (Math.abs(truth.valueMm - margin.valueMm) <= margin.expandedMm) count.held++;
      if (verdict !== 'clears') return;
      clears++;
      if (margin.valueMm < NEAR * margin.expandedMm) nearClears++;
      if (truth.valueMm >= 0) return;
      falseClears++;
      worstFalseClearMm = Math.max(worstFalseClearMm, -truth.valueMm);
    });
  }
  askForOne(
    simulated,
    judged.map(({ said }) => said),
  );
}

/** Tries every measurement for real, and sees whether the one that was asked for settled as many as any. */
function askForOne(
  { record, speakers, measure }: ReturnType<typeof simulateCar>,
  said: readonly ReturnType<typeof judgeSimulated>[],
): void {
  const open = speakers.filter((_, at) => said[at]?.verdict === 'measure');
  if (open.length < LEAST_OPEN) return;
  const opening = writtenOpening(record);
  const next = nextMeasurements(opening, said, {
    halfWidthsMm: SOURCE_HALF_WIDTHS_MM,
    places: rimPlaceList(record, opening),
    confidence: rules.confidence,
  });
  const settled = next.map(({ action }) => {
    const after = writtenOpening(measure(record, action.key, action.instrument));
    return open.filter(({ claimed }) => judgeSimulated(after, claimed, rules).verdict !== 'measure').length;
  });
  const [asked] = settled;
  if (asked === undefined) return;
  const most = Math.max(...settled);
  questions++;
  if (asked === most) best++;
  regret += most - asked;
}

const all = [...tally.values()].reduce((a, b) => ({ asked: a.asked + b.asked, held: a.held + b.held }));
say(`${CARS} openings, ${SEED} as seed`);
for (const [id, { asked, held }] of tally) {
  say(
    `  ${id.padEnd(10)} the 95 % interval holds the true margin in ${((100 * held) / asked).toFixed(1)} % of ${asked}`,
  );
}
say(
  `  ${clears} checks clear, ${nearClears} of them near the limit; ${falseClears} of these miss the asked clearance, the worst by ${worstFalseClearMm.toFixed(2)} mm`,
);
say(
  `  ${questions} questions what to measure: the one asked for settled as many as any other in ${best}, ${(regret / Math.max(1, questions)).toFixed(2)} candidates fewer than the best on average`,
);
const round = (value: number) => Number(value.toFixed(4));
say(
  JSON.stringify({
    cars: CARS,
    coverage: round(all.held / all.asked),
    falseClearsRatio: round(falseClears / Math.max(1, nearClears)),
    worstFalseClearMm: round(worstFalseClearMm),
    bestMeasurementRatio: round(best / Math.max(1, questions)),
  }),
);
