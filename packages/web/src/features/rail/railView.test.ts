import { expect, test } from '@jest/globals';
import type { Job, OpeningState, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { newJobSchema } from '@low-quarry/core/contracts/jobs';
import { jobFactsOf, newOpening, vehicleSchema } from '@low-quarry/core/model';
import { RAIL, type RailStation } from '@low-quarry/core/stations';
import { setShopDays } from '../../text/shopDays';
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
    plays: null,
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
  expect(statesOf([])).toEqual(['open 15', ...Array(6).fill('untouched')]);
});

const stateAt = (station: RailStation, ...openings: readonly OpeningWithState[]) =>
  statesOf(openings)[RAIL.indexOf(station)];
const orderOf = (each: OpeningWithState) => stateAt('order', each);

test('nothing chosen is no order that is done', () => {
  expect(orderOf(opening('a', { kind: 'hold', sentence: 'A chime.' }))).toBe('untouched');
  expect(orderOf(opening('a', CHOSEN))).toBe('done');
  expect(orderOf(opening('a', { ...CHOSEN, heldBack: 'Glass.' }))).toBe('open 1');
});

test('the work is open until the panel is closed, and where nothing is chosen it is not begun', () => {
  const done = (['panelOff', 'fitted', 'tested', 'closed'] as const).map((step) => ({
    ...{ step, by: 'Rieke', at: '2026-03-04T10:00:00.000Z' },
  }));
  const built = (steps: number) => {
    const each = opening('a', CHOSEN);
    return { ...each, record: { ...each.record, build: done.slice(0, steps) } };
  };
  expect(stateAt('build')).toBe('untouched');
  expect([0, 1, 2, 3, 4].map((steps) => stateAt('build', built(steps)))).toEqual([...Array(4).fill('open 1'), 'done']);
});

test('a day that somebody was asked on is written as the shop writes it', () => {
  setShopDays('monthFirst');
  const question = { of: 'maker', question: 'Does it chime?', askedOn: '2026-12-04', how: '', answer: '' } as const;
  const { points } = railView({ ...JOB, questions: [{ ...question, answeredOn: null, grade: null }] }, []);
  setShopDays('dayFirst');
  expect(points.find(({ id }) => id === 'question 0')?.words).toContain('asked on Fri 12/4/2026');
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
    '/jobs/j/wires',
    '/jobs/j/order',
    '/jobs/j/build',
    '/jobs/j/hand-over',
  ]);
});

test.each([
  [{ kind: 'bookIn', field: 'budgetMinor' }, '/jobs/j/book-in#budgetMinor'],
  [{ kind: 'vehicle' }, '/vehicles/veh%201'],
  [{ kind: 'baseline' }, '/jobs/j/baseline'],
  [{ kind: 'build' }, '/jobs/j/build'],
  [{ kind: 'handOver' }, '/jobs/j/hand-over'],
  [{ kind: 'measure', openingId: 'a' }, '/jobs/j/openings/a'],
  [{ kind: 'match', openingId: 'a' }, '/jobs/j/openings/a/fit'],
] as const)('a point that is settled at %j is there', (at, address) => {
  expect(pointAddress(at, 'j', 'veh 1')).toBe(address);
});
