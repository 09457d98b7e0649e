/** What two people decided of the crossovers of one car comes together. */
import { expect, test } from '@jest/globals';
import type { Crossover } from '../model';
import { differencesOf, mergeChanges } from './Field';
import { crossoverFields } from './namedFields';

const named = (name: string, more: Partial<Crossover> = {}): Crossover => ({
  ...{
    name,
    channel: 'front left',
    outputs: [],
    at: null,
    isAtFork: false,
    space: '',
    heldBy: '',
    hangerMm: null,
    box: null,
    comes: null,
    ...more,
  },
});
const merged = (base: Crossover[], mine: Crossover[], theirs: Crossover[]) => {
  const records = [base, mine, theirs].map((crossovers) => ({ crossovers }));
  const [a, b, c] = records as [(typeof records)[0], (typeof records)[0], (typeof records)[0]];
  return mergeChanges(crossoverFields(...records), a, b, c);
};

test('left by one and right by the other, one taken out by either', () => {
  const [left, right] = [named('Left'), named('Right')];
  const held = { heldBy: 'two ties' };
  expect(merged([left, right], [named('Left', held), right], [left, named('Right', held)])).toMatchObject({
    merged: { crossovers: [named('Left', held), named('Right', held)] },
    clashes: [],
  });
  expect(merged([left, right], [right], [left, right, named('Dash')])).toMatchObject({
    merged: { crossovers: [right, named('Dash')] },
    clashes: [],
    taken: ['Crossover Dash'],
  });
});

test('the same one by both is a clash, told in words', () => {
  const { clashes } = merged([named('Left')], [named('left', { at: 'dash' })], [named('Left', { at: 'door' })]);
  expect(clashes).toMatchObject([
    {
      label: 'Crossover Left',
      mine: expect.stringContaining('in the dash'),
      theirs: expect.stringContaining('behind a door’s card'),
    },
  ]);
});

test('a job of an earlier form has none', () => {
  const old = {} as { crossovers: Crossover[] };
  const now = { crossovers: [named('Left')] };
  expect(differencesOf(crossoverFields(old, now), old, now)).toMatchObject([
    { label: 'Crossover Left', before: 'none' },
  ]);
});
