import { expect, test } from '@jest/globals';
import type { OpeningState } from '../contracts/jobs';
import type { CarFacts } from '../model';
import { PLAIN_OPENING } from '../testing/plainOpening';
import { type PlannedJob, type PlannedOpening, planCar } from './planCar';

const CHOSEN: OpeningState = {
  ...{ kind: 'chosen', speakerName: 'Shoal', works: [], needsConsent: [], open: [], heldBack: null },
  ...{ verdictThen: 'clears', sentenceThen: null, changedSince: [] },
  summary: { verdict: 'clears', decidedBy: 'depth', marginMm: 4, expandedMm: 1, sentence: '' },
  plays: {
    ...{ speakerKind: 'tweeter', impedanceOhm: 4, coilOhm: null, coilMh: null, resonanceHz: null, totalQ: null },
    ...{ rmsW: null, sensitivityDb: null, sensitivityAt: 'notStated', filter: null },
  },
};
const OPENINGS: readonly PlannedOpening[] = [
  { id: 'a', record: PLAIN_OPENING, state: CHOSEN, choice: { layerIds: ['ring-9', 'brk-flat#snapped', 'ring-3.5'] } },
  { id: 'b', record: PLAIN_OPENING, state: { kind: 'nothingChosen', known: 5, takenHere: 5 }, choice: null },
];
const job = (isLater: boolean, more: Partial<PlannedJob> = {}): PlannedJob => ({
  ...{ lostWithoutSupply: null, quieted: [], crossovers: [], amplifierPlan: null, found: {}, vehicle: { facts: {} } },
  stowed: [
    {
      ...{ kind: 'amplifier', name: 'amplifier', space: '', heldBy: '', rmsW: null, isLater },
      box: { lengthMm: 240, widthMm: 160, heightMm: 52 },
    },
  ],
  ...more,
});
const car = (isLater: boolean, more: Partial<PlannedJob> = {}) =>
  planCar(job(isLater, more), OPENINGS, [], { joints: [], runs: [] });

test('only what is chosen is work; an amplifier that comes later brings no power wire yet', () => {
  expect(car(true).openings).toEqual([
    {
      ...{ id: 'a', record: PLAIN_OPENING, speakerName: 'Shoal', works: [], isTweeter: true },
      ...{ ringsMm: [9, 3.5], hasTabs: true },
    },
  ]);
  expect([car(true).hasPowerWire, car(false).hasPowerWire]).toEqual([false, true]);
  expect([car(true).boxes, car(false).boxes.map(({ what }) => what)]).toEqual([[], ['amplifier']]);
});

test('past the maker’s amplifier there is work at the radio, and a power wire where an amplifier is added', () => {
  const bypass = (by: 'newRadio' | 'addedAmplifier') =>
    car(true, {
      amplifierPlan: {
        ...{ kind: 'bypass', by, leads: 'atPlug', leastOhm: null, sounds: 'heard', reason: '' },
        power: null,
      },
    });
  expect(bypass('addedAmplifier')).toMatchObject({ hasPowerWire: true, atRadio: 'leads' });
  expect(bypass('newRadio')).toMatchObject({ hasPowerWire: false, atRadio: 'newRadio' });
  expect(car(true).atRadio).toBeNull();
});

test('warnings come through the speakers where somebody heard them; where nobody asked nobody knows', () => {
  const warned = (answer: string) => {
    const found: CarFacts = { alsoSounds: { answer, grade: 'seenHere', note: '', by: null, at: null } };
    return car(true, { found }).hasWarnings;
  };
  expect([car(true).hasWarnings, warned('warnings'), warned('nothing')]).toEqual([null, true, false]);
});
