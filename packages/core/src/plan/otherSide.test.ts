import { expect, test } from '@jest/globals';
import { newPanel, type StepMark } from '../model';
import { PLAIN_CAR, PLAIN_PLACE } from '../testing/plainCar';
import { PLAIN_OPENING } from '../testing/plainOpening';
import { carPlan } from './carPlan';
import type { PlanOpening } from './openingSteps';
import { otherSideNotes } from './otherSide';

const AT = '2026-12-01T09:00:00.000Z';
const opening = (side: 'left' | 'right'): PlanOpening => ({
  ...{ ...PLAIN_PLACE, id: side, ringsMm: [9] },
  record: { ...PLAIN_OPENING, side, presence: 'fitted' },
});
const { steps } = carPlan(
  {
    ...PLAIN_CAR,
    openings: [opening('left'), opening('right')],
    panels: [
      newPanel({ kind: 'doorCard', spot: 'frontLeft', name: '' }),
      newPanel({ kind: 'doorCard', spot: 'frontRight', name: '' }),
    ],
  },
  { keysProve: false, unit: 'mm' },
);
const mark = (more: Partial<StepMark> = {}): StepMark => ({
  ...{ state: 'done', by: 'Rieke', at: AT, print: '0' },
  ...more,
});
const notes = (marks: Readonly<Record<string, StepMark>>) => [...otherSideNotes(steps, { steps: marks })];

test('a note at one side’s step is offered at the other side’s, and at no other step', () => {
  expect(notes({ 'opening right in': mark({ note: 'the notch first' }) })).toEqual([
    ['opening left in', { side: 'right', by: 'Rieke', words: 'the notch first' }],
  ]);
  const off = steps.find(({ id }) => id.includes('frontRight') && id.endsWith(' off'))?.id as string;
  expect(notes({ [off]: mark({ counted: { pieces: 9, broken: 2, replaced: 0 } }) })).toEqual([
    [off.replace('frontRight', 'frontLeft'), { side: 'right', by: 'Rieke', words: '2 broken or gone' }],
  ]);
});

test('what was left out says why; what was only ticked, and what is of neither side, says nothing', () => {
  expect(notes({ 'opening left ring 1': mark({ state: 'skipped', reason: 'bought ready' }) })).toEqual([
    ['opening right ring 1', { side: 'left', by: 'Rieke', words: 'left out: bought ready' }],
  ]);
  expect(notes({ 'opening left in': mark(), 'battery off': mark({ note: 'a hose' }) })).toEqual([]);
});

test('every step of a side has its other side, both ways', () => {
  const sided = steps.filter(({ side }) => side !== null);
  expect(sided.length).toBeGreaterThan(10);
  const all = Object.fromEntries(sided.map(({ id }) => [id, mark({ note: id })]));
  expect(otherSideNotes(steps, { steps: all }).size).toBe(sided.length);
});
