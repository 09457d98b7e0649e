import { describe, expect, test } from '@jest/globals';
import type { Advice, Change } from '@low-quarry/core/fit/advice/advice';
import { candidateQuestionWords, chanceLine, changeWords, costLine, openingQuestionWords } from './adviceView';

const NOTHING: Advice = { chance: null, forOpening: null, forCandidate: null, costs: null, changes: [] };

test('what to measure says with what, and how many it settles, rounded down', () => {
  expect(openingQuestionWords({ key: 'depthTop', instrument: 'depthStick', settled: 31.9, open: 44 })).toBe(
    'Measure the depth at the top with the depth stick: 31 of 44 open candidates are settled.',
  );
  expect(openingQuestionWords({ key: 'frontGap', instrument: 'depthStick', settled: 0.9, open: 7 })).toBe(
    'No single measurement is likely to settle one of the 7 open candidates; the front gap with the depth stick tells most.',
  );
  expect(openingQuestionWords({ key: 'frontGap', instrument: 'depthStick', settled: 0.62, open: 1 })).toBe(
    'Measure the front gap with the depth stick: that settles it with a chance of 62 %.',
  );
  expect(candidateQuestionWords({ key: 'speaker.boltCircle', instrument: 'calliper', settled: 0.58, open: 1 })).toBe(
    'For this one: measure the bolt circle of the speaker with the calliper; that settles it with a chance of 58 %.',
  );
  expect(candidateQuestionWords({ key: 'obstacle.beam.depth', instrument: 'depthStick', settled: 0.99, open: 1 })).toBe(
    'For this one: measure the depth to the beam with the depth stick; that settles it almost surely.',
  );
});

test('a chance is cut, never rounded up', () => {
  const line = (chance: number) => chanceLine({ ...NOTHING, chance });
  expect(line(0.758)).toBe('Fits as a whole with a chance of 75 %.');
  expect(line(1)).toContain('over 99 %');
  expect(line(0.001)).toContain('under 1 %');
  expect(chanceLine(NOTHING)).toBeNull();
});

test('what is cheaper, in money', () => {
  const costs = { orderNowMinor: 1800, measureMinor: 512.4, better: 'measure' as const };
  expect(costLine({ ...NOTHING, costs }, 'EUR')).toBe(
    'Expected cost of a return when ordered now €18.00, of measuring first €5.12: measuring first is cheaper.',
  );
});

const PLATE = {
  thicknessMm: 9,
  throatMm: { length: 144, width: 144 },
  outsideMm: 190,
  turnRad: Math.PI / 12,
  isSunk: true,
  vehicleHoles: 3,
  speakerHoles: 4,
};

describe('changes', () => {
  const change = (more: Partial<Change>): Change => ({
    kind: 'spacer',
    speakerId: 's',
    layerIds: ['ring-6'],
    holes: 0,
    material: 'sheetSteel',
    byMm: 0,
    plate: null,
    ...more,
  });
  test.each<[Partial<Change>, string]>([
    [{}, 'Other rings: ring.'],
    [{ layerIds: [] }, 'Leave the ring out.'],
    [{ kind: 'bracket' }, 'Other bracket: ring.'],
    [{ kind: 'drill', holes: 2, material: 'plastic' }, 'Drill 2 new holes in the plastic'],
    [{ kind: 'drill', holes: 2, material: 'plastic' }, 'About 20 minutes a side, and it cannot be undone'],
    [{ kind: 'cutCloth', byMm: 2 }, '2 mm are missing there and nowhere else'],
    [{ kind: 'cutNotch' }, 'where the plug comes from. About 5 minutes a side'],
    [{ kind: 'thinRing', byMm: 1.5 }, 'Take 1.5 mm off the thickest ring.'],
    [{ kind: 'fileThroat', byMm: 1 }, 'File the bracket’s throat by 1 mm all round.'],
    [
      { kind: 'cutPlate', plate: PLATE },
      'Cut a plate from 9 mm sheet, or look for a bracket like it: 190 mm outside, a throat of 144 mm, the car’s 3 holes and the speaker’s 4, turned by 15°. The car’s screws are sunk under the flange.',
    ],
    [{ kind: 'fileHole', byMm: 1.5 }, 'File the hole in the sheet'],
    [{ kind: 'smaller' }, 'Smaller size: s, ring.'],
  ])('%j', (more, says) => {
    expect(changeWords(change(more), new Map(), 'ring', 'mm')).toContain(says);
  });
});
