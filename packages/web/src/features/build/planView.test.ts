import { expect, test } from '@jest/globals';
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { PlanStep } from '@low-quarry/core/plan';
import { aboutWords, planCar, planGroups, planTools, stepMinutes } from './planView';

const step = (id: string, where: string, tools: readonly string[] = []): PlanStep => ({
  ...{ id, where, what: '', from: '', open: null, tools, minutes: 1, people: 1, cautions: [], after: [] },
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
  const groups = planGroups([step('a', 'Door'), step('b', 'Door'), step('c', 'Battery'), step('d', 'Door')]);
  expect(groups.map(({ where, steps }) => [where, steps.map(({ id }) => id).join('')])).toEqual([
    ['Door', 'ab'],
    ['Battery', 'c'],
    ['Door', 'd'],
  ]);
});

test('each tool is told once', () => {
  expect(planTools([step('a', 'x', ['T20', 'forks']), step('b', 'x', ['forks', 'cell'])])).toEqual([
    'T20',
    'forks',
    'cell',
  ]);
});

test('only what is chosen is work; an amplifier that comes later brings no power wire yet', () => {
  const chosen = { kind: 'chosen', speakerName: 'Shoal', works: [], plays: { speakerKind: 'tweeter' } };
  const openings = [
    { id: 'a', record: {}, state: chosen },
    { id: 'b', record: {}, state: { kind: 'nothingChosen' } },
  ] as unknown as OpeningWithState[];
  const amplifier = { kind: 'amplifier', name: 'amplifier', box: null, space: '', heldBy: '', rmsW: null };
  const job = (isLater: boolean) =>
    ({
      lostWithoutSupply: null,
      stowed: [{ ...amplifier, isLater }],
      crossovers: [],
      amplifierPlan: null,
    }) as unknown as Job;
  const car = (isLater: boolean) => planCar(job(isLater), openings, [], { joints: [], runs: [] });
  expect(car(true).openings).toEqual([{ id: 'a', record: {}, speakerName: 'Shoal', works: [], isTweeter: true }]);
  expect([car(true).hasPowerWire, car(false).hasPowerWire]).toEqual([false, true]);
  expect([car(true).boxes, car(false).boxes.map(({ what }) => what)]).toEqual([[], ['amplifier']]);
  const bypass = { ...job(true), amplifierPlan: { kind: 'bypass', by: 'addedAmplifier' } } as unknown as Job;
  expect(planCar(bypass, openings, [], { joints: [], runs: [] }).hasPowerWire).toBe(true);
});
