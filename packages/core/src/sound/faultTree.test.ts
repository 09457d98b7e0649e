import { describe, expect, test } from '@jest/globals';
import {
  causesLeft,
  FAULT_CAUSES,
  FAULT_TESTS,
  type FaultCause,
  type FaultTest,
  type FaultTrial,
  faultAnswers,
  faultTestMinutes,
  minutesLeft,
  nextFaultTest,
} from './faultTree';

/** What a test shows where this is the cause, found by what it leaves. */
const showsFor = (test: FaultTest, cause: FaultCause) => causesLeft([{ test, isShown: true }]).includes(cause);

/** The tests of the plan, walked with one cause in the car. */
function walk(cause: FaultCause): { readonly trials: readonly FaultTrial[]; readonly minutes: number } {
  const trials: FaultTrial[] = [];
  let minutes = 0;
  for (let next = nextFaultTest(trials); next; next = nextFaultTest(trials)) {
    trials.push({ test: next, isShown: showsFor(next, cause) });
    minutes += faultTestMinutes(next);
    if (trials.length > FAULT_TESTS.length) throw new Error('the plan does not end');
  }
  return { trials, minutes };
}

describe('the plan, walked with each cause in the car', () => {
  test.each(FAULT_CAUSES)('%s is found, no test is made twice, and each step leaves fewer causes', (cause) => {
    const { trials } = walk(cause);
    expect(causesLeft(trials)).toEqual([cause]);
    expect(new Set(trials.map(({ test: each }) => each)).size).toBe(trials.length);
    for (let step = 1; step <= trials.length; step++)
      expect(causesLeft(trials.slice(0, step)).length).toBeLessThan(causesLeft(trials.slice(0, step - 1)).length);
  });

  test('its average is what it says: shares of a hundred by what each walk takes', () => {
    // As in the table of the module, written down again.
    const shares = { source: 8, setting: 12, amplifier: 8, wire: 12, plug: 15, speaker: 40, mounting: 5 };
    const average = FAULT_CAUSES.reduce((sum, cause) => sum + (shares[cause] / 100) * walk(cause).minutes, 0);
    expect(average).toBeCloseTo(minutesLeft([]), 9);
    // What can be tried with the doors closed comes first.
    expect(['otherSource', 'faderBalance', 'press']).toContain(nextFaultTest([]));
  });
});

/** Every way to go on, none remembered: the least average of all of them. */
function exhaustive(causes: readonly FaultCause[], left: readonly FaultTest[]): number {
  if (causes.length < 2) return 0;
  const shares = { source: 8, setting: 12, amplifier: 8, wire: 12, plug: 15, speaker: 40, mounting: 5 };
  const weight = (some: readonly FaultCause[]) => some.reduce((sum, cause) => sum + shares[cause], 0);
  let least = Number.POSITIVE_INFINITY;
  for (const test of left) {
    const shown = causes.filter((cause) => showsFor(test, cause));
    const not = causes.filter((cause) => !showsFor(test, cause));
    if (shown.length === 0 || not.length === 0) continue;
    const others = left.filter((each) => each !== test);
    const rest = weight(shown) * exhaustive(shown, others) + weight(not) * exhaustive(not, others);
    least = Math.min(least, faultTestMinutes(test) + rest / weight(causes));
  }
  return least;
}

test('no other order of tests costs less on average: every order was tried', () => {
  expect(minutesLeft([])).toBeCloseTo(exhaustive(FAULT_CAUSES, FAULT_TESTS), 9);
  for (const first of FAULT_TESTS) {
    for (const isShown of [true, false]) {
      const trials = [{ test: first, isShown }];
      const left = FAULT_TESTS.filter((each) => each !== first);
      expect(minutesLeft(trials)).toBeCloseTo(exhaustive(causesLeft(trials), left), 9);
    }
  }
});

test('answers that contradict each other leave no cause, and nothing is asked any more', () => {
  const trials = [
    { test: 'otherSource', isShown: true },
    { test: 'meter', isShown: true },
  ] as const;
  expect(causesLeft(trials)).toEqual([]);
  expect(nextFaultTest(trials)).toBeNull();
});

test.each(FAULT_TESTS)('%s has two answers in words, and tells some causes from others', (each) => {
  const { shown, not } = faultAnswers(each);
  expect(shown).not.toBe('');
  expect(not).not.toBe(shown);
  const left = causesLeft([{ test: each, isShown: true }]).length;
  expect(left).toBeGreaterThan(0);
  expect(left).toBeLessThan(FAULT_CAUSES.length);
});
