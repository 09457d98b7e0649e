/** What else is put into a car, in its spaces, beside the crossovers. */
import { describe, expect, test } from '@jest/globals';
import { type Crossover, type Space, type Stowed, stowedSchema } from '../model';
import { stowedPoints, stowedSheets } from './stowedSheets';

const SEAT: Space = {
  ...{ name: 'under the left seat', lengthMm: 320, widthMm: 210, heightMm: 70, note: '', grade: 'seenHere' },
};
const AMPLIFIER: Stowed = {
  ...{
    name: 'amplifier',
    kind: 'amplifier',
    space: 'Under the left seat',
    heldBy: 'four screws',
    rmsW: null,
    isLater: false,
  },
  box: { lengthMm: 240, widthMm: 160, heightMm: 52 },
};
const CROSSOVER: Crossover = {
  ...{
    name: 'left',
    channel: '',
    outputs: [],
    at: 'cabin',
    isAtFork: false,
    space: SEAT.name,
    heldBy: '',
    hangerMm: null,
    comes: null,
  },
  box: { lengthMm: 112, widthMm: 40, heightMm: 60 },
};
const car = (stowed: Stowed[], crossovers: Crossover[] = [], spaces: Space[] | null = [SEAT]) => ({
  ...{ crossovers, stowed: stowedSchema.parse(stowed) },
  vehicle: { spaces },
});
const placeOf = (...told: Parameters<typeof car>) => stowedSheets(car(...told), 0.975)[0]?.place;
const points = (...told: Parameters<typeof car>) =>
  stowedPoints(car(...told), 0.975).map(({ id, isHeld }) => [id, isHeld]);

test('an amplifier keeps 40 mm for its wires: 320 − 280, 210 − 160, 70 − 52', () => {
  expect(placeOf([AMPLIFIER])).toMatchObject({ verdict: 'clears', margin: { mm: 18 } });
  expect(points([AMPLIFIER])).toEqual([]);
});

describe('what lies there already, or comes later, counts', () => {
  test('a crossover beside it', () => {
    // 210 − 160 − 40 is 10 mm for both; over it there are 18, under it the crossover would have to stand.
    expect(placeOf([AMPLIFIER], [CROSSOVER])).toMatchObject({
      verdict: 'clears',
      margin: { mm: expect.closeTo(5, 2) },
    });
    const higher = { ...CROSSOVER, box: { lengthMm: 112, widthMm: 60, heightMm: 66 } };
    expect(placeOf([AMPLIFIER], [higher])).toMatchObject({
      verdict: 'hits',
      sentence: expect.stringContaining('Crossover left and amplifier together do not go into “under the left seat”'),
    });
  });

  test('a box that comes later is named as later; its own trouble holds nothing yet', () => {
    const bass: Stowed = { ...AMPLIFIER, name: 'bass', kind: 'bassBox', heldBy: '', rmsW: null, isLater: true };
    const both = [AMPLIFIER, bass];
    expect(placeOf(both)).toMatchObject({ verdict: 'hits', sentence: expect.stringContaining('bass (later)') });
    expect(points(both)).toEqual([
      ['box amplifier place', true],
      ['box bass place', false],
    ]);
  });
});

test.each<[string, Partial<Stowed>, Space[] | null, string]>([
  ['no space chosen', { space: '' }, [SEAT], 'Nobody chose where it goes.'],
  ['no such space', { space: 'boot' }, [SEAT], 'The vehicle has no space that is called “boot”.'],
  ['no size', { box: null }, [SEAT], 'Nobody wrote down the size of amplifier.'],
  ['not measured', {}, [{ ...SEAT, heightMm: null }], 'Nobody measured the space'],
  ['nobody looked', {}, null, 'The vehicle has no space'],
])('%s: it is measured first', (_name, fields, spaces, words) => {
  expect(placeOf([{ ...AMPLIFIER, ...fields }], [], spaces)).toMatchObject({
    verdict: 'measure',
    sentence: expect.stringContaining(words),
    settledBy: expect.any(String),
  });
});

test('what holds it is asked of what goes in now, and what its wires are is told', () => {
  expect(points([{ ...AMPLIFIER, heldBy: '' }])).toEqual([['box amplifier held', false]]);
  const wires = stowedSheets(car([AMPLIFIER, { ...AMPLIFIER, name: 'bass', kind: 'bassBox', space: '' }]), 0.975);
  expect(wires.map((sheet) => sheet.wires)).toEqual([
    expect.stringContaining('an earth to bare metal close by (never a belt’s bolt)'),
    expect.stringContaining('A pair from the amplifier’s channel'),
  ]);
});

test('two of one name are refused', () => {
  expect(stowedSchema.safeParse([AMPLIFIER, { ...AMPLIFIER, name: 'Amplifier ' }]).error?.issues).toMatchObject([
    { path: [1, 'name'], message: 'Another box is called so: call it otherwise.' },
  ]);
});
