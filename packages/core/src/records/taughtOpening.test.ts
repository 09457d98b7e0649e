import { expect, test } from '@jest/globals';
import { OLD_SPEAKER_NOT_TESTED, type OpeningRecord } from '../model';
import { measuredBy, PLAIN_OPENING } from '../testing/plainOpening';
import { taughtOpening } from './taughtOpening';

const guess = (mm: number) => ({
  ...{ readingsMm: [mm], source: 'classDefault' as const, entered: String(mm), takenBy: null, takenAt: null },
});
const KNOWN: OpeningRecord = {
  ...PLAIN_OPENING,
  assumed: ['bolts', 'fixing', 'behind'],
  presence: 'notLooked',
  note: 'Clips break.',
  dimensions: { holeDiameter: guess(145), depthBehind: guess(62), frontGap: guess(18) },
};
const CAR: OpeningRecord = {
  ...KNOWN,
  assumed: ['behind'],
  presence: 'fitted',
  fixing: 'rivets',
  wiring: { kind: 'noWires' },
  note: 'This one is rusty.',
  oldSpeaker: { ...OLD_SPEAKER_NOT_TESTED, plays: 'silent' },
  dimensions: { ...KNOWN.dimensions, holeDiameter: measuredBy('Rieke', 148) },
};

test('what was measured and looked at comes into the library, carried over; what was taken over from it does not', () => {
  expect(taughtOpening(KNOWN, CAR)).toEqual({
    ...KNOWN,
    assumed: ['behind'],
    presence: 'fitted',
    fixing: 'rivets',
    wiring: { kind: 'noWires' },
    dimensions: {
      ...KNOWN.dimensions,
      holeDiameter: { ...measuredBy('Rieke', 148), source: 'carriedOver', takenBy: null },
    },
  });
});

test('a place that the library does not have comes whole, without the old speaker of this car', () => {
  const taught = taughtOpening(null, CAR);
  expect(taught).toMatchObject({ presence: 'fitted', oldSpeaker: null });
  expect(taught.dimensions.holeDiameter).toMatchObject({ source: 'carriedOver', takenBy: null });
});

test('what nobody looked at on the car leaves what the library knows as it is', () => {
  const known: OpeningRecord = { ...KNOWN, wiring: { kind: 'noWires' }, secondPlug: 'warning', obstaclesLooked: true };
  const car: OpeningRecord = { ...known, wiring: { kind: 'unknown' }, secondPlug: 'notLooked', obstaclesLooked: false };
  expect(taughtOpening(known, car)).toBe(known);
});

test('taught twice is taught once', () => {
  const once = taughtOpening(KNOWN, CAR);
  expect(taughtOpening(once, CAR)).toBe(once);
});
