/** What feeds the amplifiers that are added, from the boxes and the ways of a car. */
import { describe, expect, test } from '@jest/globals';
import type { Route, Stowed } from '../model';
import { feedRuns } from './feedRuns';

const box = (name: string, kind: Stowed['kind'], more: Partial<Stowed> = {}): Stowed => ({
  ...{ name, kind, box: null, space: 'the boot', heldBy: '', rmsW: null, isLater: false, ...more },
});
const way = (from: string, to: string, lengthMm: number | null): Route => ({
  ...{ from, to, lengthMm, through: '', note: '', grade: 'seenHere' },
});
const DISTRIBUTOR = box('distributor', 'distributor');
const FRONT = box('front amplifier', 'amplifier', { rmsW: 300, space: 'under the left seat' });
const BASS = box('bass amplifier', 'amplifier', { rmsW: 150 });
const ROUTES = [way('Battery', 'the boot', 4000), way('the boot', 'under the left seat', 500)];
const runs = (stowed: readonly Stowed[], routes: readonly Route[] = ROUTES) => feedRuns([], new Set(), routes, stowed);

test('a main for all, and a branch to each: what is beside the distributor is half a metre on', () => {
  const [main, front, bass] = runs([DISTRIBUTOR, FRONT, BASS]);
  expect(main).toMatchObject({
    need: { what: '4.0 m of cable, 25 mm² (4 AWG) of copper, and a fuse of 60 A with its holder' },
    sentence: expect.stringContaining('450 W RMS of all together take about 54 A'),
  });
  expect(front).toMatchObject({
    what: 'To front amplifier',
    need: { what: expect.stringMatching(/^0\.5 m of cable, 6 mm² .*a fuse of 40 A for the distributor$/) },
  });
  expect(bass?.sentence).toContain('a fuse of 20 A in the distributor, where the cable gets thinner');
});

test('what comes later is counted in the main, and its branch is not bought yet', () => {
  const [main, front, bass] = runs([DISTRIBUTOR, FRONT, { ...BASS, isLater: true }]);
  expect(main?.sentence).toContain('450 W RMS of all together');
  expect([front?.need === null, bass?.need === null]).toEqual([false, true]);
  // Nothing is fed where all of it comes later.
  expect(runs([DISTRIBUTOR, { ...BASS, isLater: true }])).toEqual([]);
});

test('one amplifier that is put in has its feed, whether its channels are noted or not; a later one is named', () => {
  const [feed, ...more] = runs([FRONT], [way('battery', 'under the left seat', 5000)]);
  expect(more).toEqual([]);
  expect(feed).toMatchObject({
    need: { what: '5.0 m of cable, 16 mm² (6 AWG) of copper, and a fuse of 40 A with its holder' },
  });
  expect(runs([{ ...FRONT, rmsW: null }])).toEqual([
    expect.objectContaining({ need: null, sentence: expect.stringContaining('nobody says that of front amplifier') }),
  ]);
  const [now] = runs([FRONT, { ...BASS, isLater: true }], [way('battery', 'under the left seat', 5000)]);
  expect(now?.next).toContain('Another amplifier comes later: a main that is sized for both is pulled once');
  expect(runs([{ ...BASS, isLater: true }])).toEqual([]);
});

test('of two distributors nobody guesses which feeds what', () => {
  expect(runs([DISTRIBUTOR, { ...DISTRIBUTOR, name: 'second' }, FRONT])).toEqual([
    expect.objectContaining({ need: null, sentence: expect.stringContaining('distributor and second') }),
  ]);
});

describe('what nobody knows is asked for, and nothing is bought', () => {
  test.each<[string, readonly Stowed[], readonly Route[], string]>([
    ['two without a distributor', [FRONT, BASS], ROUTES, 'Note the distributor among the boxes'],
    ['no power', [DISTRIBUTOR, { ...FRONT, rmsW: null }], ROUTES, 'Look at its sheet'],
    ['no space', [DISTRIBUTOR, { ...FRONT, space: '' }], ROUTES, 'Choose it among the boxes.'],
    [
      'no way',
      [DISTRIBUTOR, FRONT],
      [way('battery', 'the boot', null)],
      'a way from “battery” to “the boot”, and one from “the boot” to “under the left seat”',
    ],
    [
      'too far',
      [DISTRIBUTOR, FRONT],
      [way('battery', 'the boot', 60_000), way('the boot', 'under the left seat', 500)],
      'closer to the amplifiers',
    ],
  ])('%s', (_name, stowed, routes, next) => {
    expect(runs(stowed, routes)).toEqual([
      expect.objectContaining({ need: null, next: expect.stringContaining(next) }),
    ]);
  });
});

test('as thick as the main’s fuse allows, a branch needs none of its own', () => {
  const [, only] = runs([DISTRIBUTOR, { ...FRONT, space: 'the boot' }]);
  expect(only?.sentence).toMatch(/the main’s fuse of 40 A protects it as well|a fuse of 40 A in the distributor/);
  expect(runs([DISTRIBUTOR, BASS])[1]?.sentence).toContain('the main’s fuse of 20 A protects it as well');
});
