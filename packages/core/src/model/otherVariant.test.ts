import { expect, test } from '@jest/globals';
import { PLAIN_OPENING } from '../testing/plainOpening';
import { asCarried } from './asCarried';
import type { OpeningRecord } from './opening';
import { openingsOfOtherVariant } from './otherVariant';

const taken = (source: 'calliper' | 'catalogue' | 'guess', mm = 10) => ({
  readingsMm: [mm],
  source,
  entered: String(mm),
  takenBy: 'Rieke',
  takenAt: '2026-11-20T09:30:00.000Z',
});

/** Every length that an opening can have, each measured. */
const MEASURED: OpeningRecord = {
  ...PLAIN_OPENING,
  presence: 'fitted',
  airbag: 'none',
  trace: { source: 'calliper', corners: [] },
  bolts: {
    kind: 'free',
    screwDiameterMm: 4,
    source: 'calliper',
    holes: [
      { xMm: 1, yMm: 1 },
      { xMm: 2, yMm: 2 },
    ],
  },
  recess: { depthMm: 2, diameterMm: 160, source: 'calliper' },
  bore: { depth: taken('calliper'), inside: taken('calliper') },
  dimensions: { holeDiameter: taken('calliper', 148), frontGap: taken('catalogue'), depthBehind: taken('guess') },
  faces: { keptRing: taken('calliper'), oldMount: taken('calliper') },
  depthReadings: [{ xMm: 0, yMm: 0, measurement: taken('calliper') }],
  obstacles: [
    {
      ...{ id: 'bar', label: 'Bar', kind: 'beam', xMm: 0, yMm: 0, depth: taken('calliper'), placeHalfWidthMm: 5 },
      ...{ angleDeg: 0, tiltDeg: 0, shape: { kind: 'rod', diameterMm: 30 }, givesMm: 0, thisSideOnly: false },
    },
  ],
  proud: [{ id: 'stud', label: 'Stud', xMm: 0, yMm: 0, placeHalfWidthMm: 2, diameterMm: 6, height: taken('calliper') }],
  front: [{ id: 'card', label: 'Card', kind: 'card', gap: taken('calliper'), inside: taken('calliper') }],
};

test('on another car nothing counts as taken there: every reading is carried over, and nobody took it', () => {
  const text = JSON.stringify(asCarried(MEASURED));
  expect(text).not.toContain('calliper');
  // What was looked up or guessed is what it was.
  expect(asCarried(MEASURED).dimensions.frontGap).toEqual(taken('catalogue'));
  expect(asCarried(MEASURED).dimensions.depthBehind).toEqual(taken('guess'));
  expect(asCarried(MEASURED).dimensions.holeDiameter).toEqual({
    ...taken('calliper', 148),
    source: 'carriedOver',
    takenBy: null,
    takenAt: null,
  });
});

test('carried over twice is carried over once', () => {
  const once = asCarried(MEASURED);
  expect(asCarried(once)).toEqual(once);
});

test('another trim has the sheet metal, and nothing of what was ordered with the car', () => {
  const [opening] = openingsOfOtherVariant({ openings: [MEASURED] });
  expect(opening).toEqual({
    ...asCarried(MEASURED),
    presence: 'notLooked',
    wiring: { kind: 'unknown' },
    secondPlug: 'notLooked',
    airbag: 'notLooked',
  });
});
