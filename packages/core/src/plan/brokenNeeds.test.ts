import { expect, test } from '@jest/globals';
import type { Bay, Counted } from '../model';
import { brokenNeeds } from './brokenNeeds';
import { stepOf } from './PlanStep';

const clips = (way: 'off' | 'on') =>
  stepOf({
    ...{ id: way, where: 'Door card', what: `Clips ${way}.`, from: 'clips', minutes: 1 },
    counts: { what: 'tree clip', way, count: 9, outAt: way === 'on' ? 'off' : null },
  });
const STEPS = [clips('off'), clips('on')];
const bay = (off: Partial<Counted>, on?: Partial<Counted>): Pick<Bay, 'steps'> => {
  const mark = (counted: Partial<Counted>) => ({
    ...{ state: 'done' as const, by: 'Rieke', at: '2026-12-04T09:00:00.000Z', print: '00000001' },
    counted: { pieces: 9, broken: 0, replaced: 0, ...counted },
  });
  return { steps: { off: mark(off), ...(on ? { on: mark(on) } : {}) } };
};

test('what broke is to be had until something is in its place', () => {
  expect(brokenNeeds(STEPS, bay({}))).toEqual([]);
  expect(brokenNeeds(STEPS, bay({ broken: 2 }))).toEqual([
    {
      what: 'New in its place: tree clip',
      why: 'Door card: 2 are broken or gone, counted in the bay by Rieke.',
      pieces: 2,
      good: { kind: 'panelClip', types: ['treeClip'] },
    },
  ]);
  expect(brokenNeeds(STEPS, bay({ broken: 2 }, { broken: 1, replaced: 2 }))).toMatchObject([{ pieces: 1 }]);
  expect(brokenNeeds(STEPS, bay({ broken: 2 }, { replaced: 2 }))).toEqual([]);
  expect(brokenNeeds(STEPS, { steps: {} })).toEqual([]);
});
