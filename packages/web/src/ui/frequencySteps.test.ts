/** A frequency moved by hand comes to each step and back. */
import { expect, test } from '@jest/globals';
import { hzOfStep, MOST_STEP, stepOfHz } from './frequencySteps';

test('from the lowest that is heard to the highest', () => {
  expect([hzOfStep(0), hzOfStep(MOST_STEP)]).toEqual([20, 20_000]);
  expect(hzOfStep(12)).toBe(40);
});

test('each step has its own frequency, and leads to the next and back', () => {
  for (let step = 0; step <= MOST_STEP; step++) {
    expect(stepOfHz(hzOfStep(step))).toBe(step);
    if (step > 0) expect(hzOfStep(step)).toBeGreaterThan(hzOfStep(step - 1));
  }
});

test('what was typed between two of them is at the nearer', () => {
  expect(stepOfHz(41)).toBe(12);
  expect(stepOfHz(60)).toBe(19);
});
