import { expect, test } from '@jest/globals';
import { PLAIN_OPENING } from '../testing/plainOpening';
import { type PlannedJob, type PlannedOpening, planCar } from './planCar';

test('only what is chosen is work; an amplifier that comes later brings no power wire yet', () => {
  const PLAIN = PLAIN_OPENING;
  const chosen = { kind: 'chosen', speakerName: 'Shoal', works: [], plays: { speakerKind: 'tweeter' } };
  const openings = [
    { id: 'a', record: PLAIN, state: chosen },
    { id: 'b', record: PLAIN, state: { kind: 'nothingChosen' } },
  ] as unknown as PlannedOpening[];
  const amplifier = { kind: 'amplifier', name: 'amplifier', box: null, space: '', heldBy: '', rmsW: null };
  const job = (isLater: boolean, found: object = {}) =>
    ({
      lostWithoutSupply: null,
      stowed: [{ ...amplifier, isLater }],
      crossovers: [],
      amplifierPlan: null,
      found,
      vehicle: { facts: {} },
    }) as unknown as PlannedJob;
  const car = (isLater: boolean) => planCar(job(isLater), openings, [], { joints: [], runs: [] });
  expect(car(true).openings).toEqual([{ id: 'a', record: PLAIN, speakerName: 'Shoal', works: [], isTweeter: true }]);
  expect([car(true).hasPowerWire, car(false).hasPowerWire]).toEqual([false, true]);
  expect([car(true).boxes, car(false).boxes.map(({ what }) => what)]).toEqual([[], ['amplifier']]);
  const bypass = { ...job(true), amplifierPlan: { kind: 'bypass', by: 'addedAmplifier' } } as unknown as PlannedJob;
  expect(planCar(bypass, openings, [], { joints: [], runs: [] })).toMatchObject({
    hasPowerWire: true,
    atRadio: 'leads',
  });
  expect(car(true).atRadio).toBeNull();
  const warned = (answer: string) =>
    planCar(job(true, { alsoSounds: { answer } }), openings, [], { joints: [], runs: [] }).hasWarnings;
  expect([car(true).hasWarnings, warned('warnings'), warned('nothing')]).toEqual([null, true, false]);
});
