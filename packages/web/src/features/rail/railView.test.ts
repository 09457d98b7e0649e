import { expect, test } from '@jest/globals';
import type { Job, OpeningState, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { newJobSchema } from '@low-quarry/core/contracts/jobs';
import { jobFactsOf, newOpening, vehicleSchema } from '@low-quarry/core/model';
import { pointAddress } from './pointAddress';
import { railView } from './railView';

const { openings: _, ...VEHICLE } = vehicleSchema.parse({
  ...{ id: 'veh 1', make: 'Tollan', model: 'Skiff', years: { from: 2018, to: null }, body: 'estate', doors: 5 },
  ...{ trim: '', audioPackage: '', steeringSide: 'left', openings: [] },
});
const JOB: Job = {
  ...{ id: 'j', number: 1, version: 1, ended: null, vehicle: VEHICLE },
  ...jobFactsOf(newJobSchema.parse({ vehicleId: 'v', customer: 'Vet', registration: '', wants: '', dueOn: null })),
};
const opening = (id: string, state: OpeningState): OpeningWithState => ({
  ...{ id, jobId: 'j', version: 1, choice: null, state },
  record: newOpening({ place: 'frontDoorLow', side: 'left', name: id, presence: 'fitted', nominalSize: '' }),
});
const CHOSEN: OpeningState = {
  ...{
    kind: 'chosen',
    speakerName: 'Shoal',
    works: [],
    needsConsent: [],
    open: [],
    heldBack: null,
    verdictThen: 'clears',
  },
  ...{ sentenceThen: null, changedSince: [] },
  summary: { verdict: 'clears', decidedBy: 'front', marginMm: 5, expandedMm: 1, sentence: '' },
};
const statesOf = (openings: readonly OpeningWithState[], job = JOB) =>
  railView(job, openings).stops.map(({ state, open }) => (open > 0 ? `${state} ${open}` : state));

test('of a car that just came in everything is to be asked, and what has no opening yet is not begun', () => {
  expect(statesOf([])).toEqual(['open 15', 'untouched', 'untouched', 'untouched', 'untouched']);
});

test('nothing chosen is no order that is done', () => {
  expect(statesOf([opening('a', { kind: 'hold', sentence: 'A chime.' })])[3]).toBe('untouched');
  expect(statesOf([opening('a', CHOSEN)])[3]).toBe('done');
  expect(statesOf([opening('a', { ...CHOSEN, heldBack: 'Glass.' })])[3]).toBe('open 1');
});

test('a job that has ended has nothing open', () => {
  const ended = { ...JOB, ended: { as: 'handedOver' as const, at: '2026-03-04T10:00:00.000Z' } };
  expect(railView(ended, [opening('a', CHOSEN)]).points).toEqual([]);
});

test('a station of openings leads to the first one that has something open there', () => {
  const { stops } = railView(JOB, [
    opening('a', CHOSEN),
    opening('b', { kind: 'nothingChosen', known: 1, takenHere: 0 }),
  ]);
  expect(stops.map(({ to }) => to)).toEqual([
    '/jobs/j/book-in',
    '/jobs/j/openings/a',
    '/jobs/j/openings/b/fit',
    '/jobs/j/order',
    '/jobs/j/hand-over',
  ]);
});

test.each([
  [{ kind: 'bookIn', field: 'budgetMinor' }, '/jobs/j/book-in#budgetMinor'],
  [{ kind: 'vehicle' }, '/vehicles/veh%201'],
  [{ kind: 'baseline' }, '/jobs/j/baseline'],
  [{ kind: 'handOver' }, '/jobs/j/hand-over'],
  [{ kind: 'measure', openingId: 'a' }, '/jobs/j/openings/a'],
  [{ kind: 'match', openingId: 'a' }, '/jobs/j/openings/a/fit'],
] as const)('a point that is settled at %j is there', (at, address) => {
  expect(pointAddress(at, 'j', 'veh 1')).toBe(address);
});
