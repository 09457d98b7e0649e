import { expect, test } from '@jest/globals';
import { baySchema } from '@low-quarry/core/model';
import { carPlan, type PlanStep } from '@low-quarry/core/plan';
import { PLAIN_CAR, PLAIN_PLACE } from '@low-quarry/core/testing/plainCar';
import { doneMark, notedAt, notedMark, pressWords, skippedMark } from './marking';

const WHO = { by: 'Rieke', at: '2026-12-04T09:00:00.000Z' };
const { steps } = carPlan(
  {
    ...PLAIN_CAR,
    ...{ lostWithoutSupply: null, hasWarnings: null },
    openings: [PLAIN_PLACE],
  },
  { keysProve: false, unit: 'mm' },
);
const [PLAIN] = steps as [PlanStep];
const counting = (way: 'off' | 'on', count: number | null): PlanStep => ({
  ...PLAIN,
  counts: { what: 'screw', way, count, outAt: way === 'on' ? 'off' : null },
});

test('the button says what will be true', () => {
  const words = (step: PlanStep, cameOut: number | null = null) => pressWords(step, notedAt(step, null, cameOut));
  expect(words(PLAIN)).toBe('Done');
  expect([words(counting('off', 1)), words(counting('off', 4)), words(counting('off', null))]).toEqual([
    ...['One out', '4 out', 'All out, not counted'],
  ]);
  // As many as came out, whatever there should have been.
  expect([words(counting('on', 4), 5), words(counting('on', 4))]).toEqual(['5 back in', '4 back in']);
});

test('every mark is one that the shop takes; a note that was emptied is none', () => {
  const second = steps.find(({ needsSecond }) => needsSecond) as PlanStep;
  const noted = { note: 'short', counted: { pieces: 4, broken: 1, replaced: 0 } };
  const marks = [
    doneMark(PLAIN, noted, WHO),
    doneMark(second, {}, WHO),
    skippedMark(PLAIN, noted, 'no supply', WHO),
    notedMark(PLAIN, noted, WHO),
  ];
  for (const mark of marks) expect(baySchema.safeParse({ steps: { a: mark }, found: [] }).error).toBeUndefined();
  expect(marks[1]).toMatchObject({ state: 'done', seconded: null, words: expect.stringContaining('warning sound') });
  expect(notedMark(PLAIN, { note: '' }, WHO)).toBeNull();
  expect(marks[0]).not.toHaveProperty('seconded');
});
