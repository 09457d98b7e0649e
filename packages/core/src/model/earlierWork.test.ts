import { expect, test } from '@jest/globals';
import { measuredBy, PLAIN_OPENING } from '../testing/plainOpening';
import { cautionsFor } from './cautions';
import { EARLIER_WORKS, type Earlier, type EarlierWork, earlierWords } from './earlierWork';
import type { OpeningRecord } from './opening';
import { newPanel, type Panel } from './panel';
import { SETTINGS_DEFAULTS } from './settings';
import { smallNeeds } from './smallNeeds';
import { toFitOpening } from './toFitOpening';

const DOOR: OpeningRecord = {
  ...PLAIN_OPENING,
  presence: 'fitted',
  wiring: { kind: 'connector', connectorId: 'plug' },
  dimensions: {
    holeDiameter: { ...measuredBy('Rieke', 140), source: 'carriedOver' },
    boltCircle: { ...measuredBy('Rieke', 156), source: 'carriedOver' },
  },
};
const fitOf = (changes: Partial<OpeningRecord>) =>
  toFitOpening({ ...DOOR, ...changes }, SETTINGS_DEFAULTS.halfWidthsMm, (id) => `the ${id}`);

test('where other rivets were set, the pattern from elsewhere is not judged by until somebody measures it here', () => {
  expect(fitOf({})).toMatchObject({ boltsMissing: [], bolts: { shape: { kind: 'circle' } } });
  expect(fitOf({ earlier: [] }).bolts).not.toBeNull();
  expect(fitOf({ earlier: ['fixings'] })).toMatchObject({ bolts: null, boltsMissing: ['boltCircle'] });
  const measured = { ...DOOR.dimensions, boltCircle: measuredBy('Rieke', 158) };
  expect(fitOf({ earlier: ['fixings'], dimensions: measured })).toMatchObject({ boltsMissing: [] });
  expect(fitOf({ earlier: ['fixings'], dimensions: measured }).bolts).not.toBeNull();
  // A reason for one thing covers no other: the hole is as it was.
  expect(fitOf({ earlier: ['fixings'] }).hole).toEqual(fitOf({}).hole);
});

test('where the holes were traced elsewhere they are not judged by either', () => {
  const traced = (source: 'calliper' | 'carriedOver'): OpeningRecord['bolts'] => ({
    ...{ kind: 'free', screwDiameterMm: 4, source },
    holes: [
      { xMm: 70, yMm: 0 },
      { xMm: -70, yMm: 0 },
    ],
  });
  expect(fitOf({ earlier: ['fixings'], bolts: traced('carriedOver') }).bolts).toBeNull();
  expect(fitOf({ earlier: ['fixings'], bolts: traced('calliper') }).bolts).not.toBeNull();
});

test('a plug that was cut off is none that a lead fits into; one that never was there is as it was', () => {
  expect(fitOf({}).wiring).toEqual({ kind: 'connector', connectorId: 'plug', connectorName: 'the plug' });
  expect(fitOf({ earlier: ['plugCut'] }).wiring).toEqual({ kind: 'cut' });
  expect(fitOf({ earlier: ['plugCut'], wiring: { kind: 'noWires' } }).wiring).toEqual({ kind: 'noWires' });
});

test('each kind asks for what has to be at hand, or to be careful, or both', () => {
  const card: Panel = { ...newPanel({ kind: 'doorCard', spot: 'frontLeft', name: '' }), fasteners: [] };
  const toHave = (earlier: Earlier) => smallNeeds([{ ...DOOR, earlier }], [card], 8);
  const cautions = (earlier: Earlier) => cautionsFor({ ...DOOR, earlier });
  for (const each of EARLIER_WORKS) {
    const [needs, careful] = [toHave([each]).length, cautions([each]).length - cautions(null).length];
    expect(needs + careful).toBeGreaterThan(0);
  }
  expect([toHave(null), toHave([])]).toEqual([[], []]);
  expect(toHave(['clipsMissing', 'gasketGone'])).toEqual([
    { what: 'Clips for those that are missing', why: 'Front door, left: clips missing or broken, from before.' },
    { what: 'Gasket or film', why: 'Front door, left: gasket or film gone, from before.' },
  ]);
});

test.each<[Earlier, string]>([
  [null, 'not looked'],
  [[], 'looked: none'],
  [['plugCut', 'coverBroken'] satisfies EarlierWork[], 'plug cut off, cover or tab broken'],
])('%j is %s', (earlier, words) => {
  expect(earlierWords(earlier)).toBe(words);
});
