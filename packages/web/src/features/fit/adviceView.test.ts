import { describe, expect, test } from '@jest/globals';
import type { Advice, Change } from '@low-quarry/core/fit/advice/advice';
import {
  candidateQuestionWords,
  chanceLine,
  changeEffort,
  changeWords,
  costLine,
  openingQuestionWords,
} from './adviceView';

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

describe('changes', () => {
  const change = (more: Partial<Change>): Change => ({
    kind: 'spacer',
    speakerId: 's',
    layerIds: ['ring-6'],
    works: [],
    decidedBy: 'hole',
    marginMm: 1,
    expandedMm: 0.3,
    ...more,
  });
  test.each<[Partial<Change>, string]>([
    [{}, 'Other rings: ring.'],
    [{ layerIds: [] }, 'Leave the ring out.'],
    [{ kind: 'bracket' }, 'Other bracket: ring.'],
    [{ kind: 'byHand', works: [{ kind: 'thinRing', byMm: 1.5 }] }, 'Take 1.5 mm off the thickest ring.'],
    [
      { kind: 'byHand', works: [{ kind: 'fileThroat', byMm: 1 }, { kind: 'bendLugs' }] },
      'by 1 mm all round. Bend the terminals',
    ],
    [{ kind: 'smaller' }, 'Smaller size: s, ring.'],
  ])('%j', (more, says) => {
    expect(changeWords(change(more), new Map(), 'ring', 'mm')).toContain(says);
  });

  test('other parts take no minutes, work by hand does, each its own', () => {
    expect(changeEffort(change({}))).toBeNull();
    const works = [{ kind: 'fileThroat' as const, byMm: 1 }, { kind: 'bendLugs' as const }];
    expect(changeEffort(change({ kind: 'byHand', works }))).toMatch(/^About 10 minutes.* About 5 minutes/);
  });
});
