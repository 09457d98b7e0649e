import { expect, test } from '@jest/globals';
import { carPlan, type PlanStep, planStates } from '@low-quarry/core/plan';
import { PLAIN_CAR, PLAIN_PLACE } from '@low-quarry/core/testing/plainCar';
import { aboutWords, peopleLanes, planGroups, screwFields, stepMinutes } from './planView';

/** One that the program makes, for what is of no matter here. */
const [ANY] = carPlan(
  {
    ...PLAIN_CAR,
    lostWithoutSupply: null,
    openings: [PLAIN_PLACE],
  },
  { keysProve: false, unit: 'mm' },
).steps as [PlanStep];
const step = (id: string, where: string, tools: readonly string[] = []): PlanStep => ({
  ...{ ...ANY, id, where, tools, after: [] },
});

test.each([
  [0, 'about 5 min'],
  [7, 'about 5 min'],
  [8, 'about 10 min'],
  [58, 'about 1 h'],
  [83, 'about 1 h 25 min'],
  [120, 'about 2 h'],
])('%d minutes are told as %s', (minutes, words) => {
  expect(aboutWords(minutes)).toBe(words);
});

test('a step is told to the minute', () => {
  expect([0.4, 1, 5.5].map(stepMinutes)).toEqual(['Under a minute', '1 min', '6 min']);
});

test('steps at one place stand together, and again where one comes back to it', () => {
  const steps = [step('a', 'Door'), step('b', 'Door'), step('c', 'Battery'), step('d', 'Door')];
  const groups = planGroups(planStates(steps, { steps: {} }));
  expect(groups.map(({ where, states }) => [where, states.map(({ step: { id } }) => id).join('')])).toEqual([
    ['Door', 'ab'],
    ['Battery', 'c'],
    ['Door', 'd'],
  ]);
});

test('what one person does at one place after the other is one stretch, with its wait', () => {
  const steps = [step('a', 'Door'), step('b', 'Door'), step('c', 'Dash'), step('d', 'Door')];
  const slot = (id: string, startMin: number, who: readonly number[]) => ({ id, startMin, endMin: startMin + 5, who });
  const slots = [slot('a', 0, [0]), slot('c', 0, [1]), slot('b', 5, [0]), slot('d', 15, [0, 1])];
  expect(peopleLanes(steps, { people: 2, slots })).toEqual([
    [
      { where: 'Door', startMin: 0, endMin: 10 },
      { where: 'Door', startMin: 15, endMin: 20 },
    ],
    [
      { where: 'Dash', startMin: 0, endMin: 5 },
      { where: 'Door', startMin: 15, endMin: 20 },
    ],
  ]);
});

test('a screw map has a field for each kind of piece that comes off, panel by panel', () => {
  const off = (id: string, where: string, bag: string, count: number | null) => ({
    ...step(`panel ${id}`, where),
    ...{ bag, from: `${id} of it`, counts: { what: 'screw', way: 'off' as const, count, outAt: null } },
  });
  const steps = [
    off('a', 'Door', 'A1', 2),
    step('x', 'Door'),
    step('panel shelf', 'Shelf'),
    off('b', 'Dash', 'B1', null),
    off('c', 'Door', 'A2', 1),
  ];
  expect(screwFields(steps).map(({ where, fields }) => [where, fields.map(({ bag, count }) => [bag, count])])).toEqual([
    [
      'Door',
      [
        ['A1', 2],
        ['A2', 1],
      ],
    ],
    ['Shelf', []],
    ['Dash', [['B1', null]]],
  ]);
});
