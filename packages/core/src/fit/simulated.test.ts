/** Openings of every family whose true shapes are known: a few of those that `npm run calibrate` counts by the thousand. */
import { describe, expect, test } from '@jest/globals';
import { fromSide } from '../model/fromSide';
import { SETTINGS_DEFAULTS, toFitRules } from '../model/settings';
import { FAMILIES } from '../testing/simulation/families';
import { mirroredCandidate } from '../testing/simulation/mirroredCandidate';
import { judgeAsMounted, judgeSimulated, simulateCar } from '../testing/simulation/simulateCar';
import { writtenOpening } from '../testing/simulation/written';
import type { Check } from './Check';

const rules = toFitRules({ name: 'Simulated', ...SETTINGS_DEFAULTS });
const surest = { ...rules, confidence: 0.9995 };
const CARS = [0, 1];
const SEED = 77;

describe.each(FAMILIES)('%s', (family) => {
  const cars = CARS.map((at) => simulateCar(SEED * 1_000_003 + at, family));

  test('seen in a mirror every figure is the same', () => {
    for (const { record, speakers } of cars) {
      const mirrored = writtenOpening(fromSide(record));
      for (const { claimed } of speakers) {
        const said = judgeSimulated(writtenOpening(record), claimed, rules);
        const there = judgeSimulated(mirrored, mirroredCandidate(claimed), rules);
        expect(there.checks.map(figuresOf)).toEqual(said.checks.map(figuresOf));
        expect(there.decidedBy).toBe(said.decidedBy);
      }
    }
  });

  test('what is said to clear hits in nothing beyond its own 99.9 % interval', () => {
    let clears = 0;
    for (const { record, real: opening, speakers } of cars) {
      for (const { claimed, real } of speakers) {
        const said = judgeSimulated(writtenOpening(record), claimed, rules);
        const sure = judgeSimulated(writtenOpening(record), claimed, surest);
        const is = judgeAsMounted(opening, real, said, rules);
        for (const [at, { id, verdict }] of said.checks.entries()) {
          const truth = (is.checks[at] as Check).margin;
          const interval = (sure.checks[at] as Check).margin;
          if (verdict !== 'clears' || !truth || !interval) continue;
          clears++;
          if (truth.valueMm < -1e-6) expect([id, truth.valueMm >= interval.lowerMm]).toEqual([id, true]);
        }
      }
    }
    expect(clears).toBeGreaterThan(0);
  });
});

test('every length is as often within its interval as the shop asks: 95 % of those of 33 cars, give or take', () => {
  let asked = 0;
  let held = 0;
  for (let at = 0; at < 33; at++) {
    const { record, real: opening, speakers } = simulateCar(at, FAMILIES[at % FAMILIES.length] ?? 'usual');
    for (const { claimed, real } of speakers) {
      const said = judgeSimulated(writtenOpening(record), claimed, rules);
      const is = judgeAsMounted(opening, real, said, rules);
      said.checks.forEach(({ margin }, index) => {
        const truth = is.checks[index]?.margin;
        if (!margin || !truth || margin.expandedMm < 1e-6) return;
        asked++;
        if (truth.valueMm >= margin.lowerMm && truth.valueMm <= margin.upperMm) held++;
      });
    }
  }
  expect(asked).toBeGreaterThan(900);
  expect(held / asked).toBeGreaterThan(0.93);
  expect(held / asked).toBeLessThan(0.985);
});

/** To a millionth of a millimetre: less is the arithmetic's. */
function figuresOf({ id, verdict, margin }: Check) {
  const tidy = (mm: number | undefined) => (mm === undefined ? null : Math.round(mm * 1e5) / 1e5 + 0);
  return { id, verdict, valueMm: tidy(margin?.valueMm), expandedMm: tidy(margin?.expandedMm) };
}
