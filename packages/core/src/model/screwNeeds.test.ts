import { expect, test } from '@jest/globals';
import { PLAIN_OPENING } from '../testing/plainOpening';
import { screwNeeds } from './screwNeeds';

const screws = { check: 'screws' as const, sentence: 'Screws of 20 to 28 mm serve; no bag is known.', answer: null };

test('what no bag serves is bought by the length that the check names, as many as the car has', () => {
  const bolts = { ...PLAIN_OPENING.bolts, kind: 'circle' as const, count: 3, firstAngleDeg: 90, screwDiameterMm: 4.2 };
  expect(screwNeeds([{ record: { ...PLAIN_OPENING, bolts }, open: [screws] }])).toEqual([
    {
      what: 'Screws, Front door, left',
      why: 'Screws of 20 to 28 mm serve; no bag is known.',
      ...{ pieces: 3, good: { kind: 'fastener', types: ['tappingScrew', 'machineScrew'] } },
    },
  ]);
});

test('both doors of which it says the same are one', () => {
  const right = { ...PLAIN_OPENING, side: 'right' as const };
  const [both, ...others] = screwNeeds([
    { record: PLAIN_OPENING, open: [screws] },
    { record: right, open: [screws] },
  ]);
  expect(others).toEqual([]);
  expect(both?.what).toBe('Screws, Front door, left; Front door, right');
});

test('where a bag serves, or somebody has written down why it is well, nothing is bought', () => {
  const answer = { kind: 'reason' as const, check: 'screws' as const, words: 'cut to 25 mm' };
  const answered = { ...screws, answer: { ...answer, by: 'Okke', at: '', found: {} } as never };
  expect(
    screwNeeds([
      { record: PLAIN_OPENING, open: [] },
      { record: PLAIN_OPENING, open: [answered] },
    ]),
  ).toEqual([]);
});
