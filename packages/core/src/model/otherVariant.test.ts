import { describe, expect, test } from '@jest/globals';
import { PLAIN_OPENING } from '../testing/plainOpening';
import { asCarried } from './asCarried';
import type { OpeningRecord } from './opening';
import { carriedOverDoubts, openingsOfOtherVariant } from './otherVariant';

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

describe('why what is carried over may not hold', () => {
  const from: Parameters<typeof carriedOverDoubts>[0] = {
    ...{ make: 'Tollan', model: 'Skiff', years: { from: 2014, to: 2018 }, trim: 'Base', audioPackage: 'Six speakers' },
    ...{ steeringSide: 'left', market: 'North coast' },
  };

  test('of the same one nothing is doubted, however it is written', () => {
    expect(carriedOverDoubts(from, { ...from, trim: 'BASE', model: 'skiff' })).toEqual([]);
  });

  test.each([
    [{ trim: 'Top' }, 'Another trim'],
    [{ audioPackage: '' }, 'Another audio package'],
    [{ market: 'South coast' }, 'For another market'],
    [{ steeringSide: 'right' as const }, 'Steering on the other side'],
    [{ years: { from: 2019, to: null } }, 'Built 2014 to 2018'],
    [{ years: { from: null, to: null } }, 'The years of one of them are not known'],
    [{ model: 'Dory' }, 'It is a Tollan Skiff'],
  ])('%j', (change, begins) => {
    const doubts = carriedOverDoubts(from, { ...from, ...change });
    expect(doubts).toHaveLength(1);
    expect(doubts[0]).toMatch(new RegExp(`^${begins}`));
  });

  test('years that overlap may be the same; the gravest doubt comes first', () => {
    expect(carriedOverDoubts(from, { ...from, years: { from: 2018, to: 2020 } })).toEqual([]);
    const all = carriedOverDoubts(from, { ...from, model: 'Dory', trim: 'Top', market: '' });
    expect(all.map((each) => each.slice(0, 7))).toEqual(['It is a', 'For ano', 'Another']);
  });
});
