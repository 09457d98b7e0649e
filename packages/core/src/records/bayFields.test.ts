import { expect, test } from '@jest/globals';
import type { Bay, StepMark } from '../model';
import { bayFields } from './bayFields';
import { mergeChanges } from './Field';

const mark = (by: string, more: Partial<StepMark> = {}): StepMark => ({
  ...{ state: 'done', by, at: '2026-12-04T09:00:00.000Z', print: '00000001', ...more },
});
const bay = (steps: Bay['steps']): { readonly bay: Bay } => ({ bay: { steps, found: [] } });
const merged = (mine: Bay['steps'], theirs: Bay['steps'], base: Bay['steps'] = {}) =>
  mergeChanges(bayFields(bay(base), bay(mine), bay(theirs)), bay(base), bay(mine), bay(theirs));

test.each([
  ['panel doorCard frontLeft  off cup', 'Step, door card, front left: off cup'],
  ['panel doorCard frontLeft upper closed', 'Step, door card, front left: upper closed'],
  ['opening 0000-4000 heard', 'Step at an opening: heard'],
  ['battery off', 'Step: battery off'],
  ['panel of nobody', 'Step: panel of nobody'],
])('the history tells which step it is: %s', (id, label) => {
  expect(bayFields(bay({ [id]: mark('Rieke') })).map((field) => field.label)).toEqual([label]);
});

test('one ticks, the other takes a tick off: what is ticked stays; left out and done is for a person to settle', () => {
  const before = { a: mark('Jory') };
  expect(merged({}, { a: mark('Jory', { note: 'tight' }) }, before).merged.bay.steps.a).toMatchObject({
    note: 'tight',
  });
  const skipped = mark('Jory', { state: 'skipped', reason: 'no supply' });
  expect(merged({ a: mark('Rieke') }, { a: skipped }).clashes).toHaveLength(1);
});

test('notes of both are kept, a second signature of either, and done is more than noted', () => {
  const second = { by: 'Okke', at: '2026-12-04T10:00:00.000Z' };
  const { merged: both, clashes } = merged(
    { a: mark('Rieke', { note: 'tight', seconded: null }) },
    { a: mark('Jory', { note: 'new clip', at: '2026-12-04T08:00:00.000Z', seconded: second }) },
  );
  expect(clashes).toEqual([]);
  expect(both.bay.steps.a).toMatchObject({ by: 'Jory', also: ['Rieke'], note: 'new clip; tight', seconded: second });
  const noted = mark('Jory', { state: 'noted', note: 'look', at: '2026-12-04T08:00:00.000Z' });
  expect(merged({ a: mark('Rieke') }, { a: noted }).merged.bay.steps.a).toMatchObject({ state: 'done', by: 'Rieke' });
});
