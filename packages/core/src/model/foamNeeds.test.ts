import { expect, test } from '@jest/globals';
import { PLAIN_POD } from '../testing/plainHousing';
import { PLAIN_OPENING } from '../testing/plainOpening';
import { foamNeeds } from './foamNeeds';

const reading = (mm: number) => ({
  ...{ readingsMm: [mm], source: 'calliper' as const, entered: String(mm), takenBy: null, takenAt: null },
});
const LEFT = { ...PLAIN_OPENING, dimensions: { holeDiameter: reading(150) } };

test('once round each hole and a twentieth for the overlap: by hand, 0.495 m of 150 mm', () => {
  const [foam, ...others] = foamNeeds([LEFT, { ...LEFT, side: 'right' }]);
  expect(others).toEqual([]);
  expect(foam).toMatchObject({
    why: 'Front door, left: 0.49 m; Front door, right: 0.49 m, once round each hole.',
    ...{ lengthM: 0.99, good: { kind: 'foam', types: ['tape'] } },
  });
});

test('of an oval it is round the mean of both; of what is built round its hole', () => {
  const oval = { ...LEFT, dimensions: { holeLength: reading(220), holeWidth: reading(140) } };
  expect(foamNeeds([oval])[0]?.lengthM).toBe(Math.ceil((Math.PI * 180 * 1.05) / 10) / 100);
  expect(foamNeeds([{ ...LEFT, housing: PLAIN_POD }])[0]?.lengthM).toBe(0.47);
});

test('where nobody measured a hole nobody can say how long', () => {
  const [foam] = foamNeeds([LEFT, { ...LEFT, side: 'right', dimensions: {} }]);
  expect(foam?.why).toBe(
    'Front door, left: 0.49 m, once round each hole. More for Front door, right: nobody measured the hole.',
  );
  expect(foam).not.toHaveProperty('lengthM');
  expect(foamNeeds([])).toEqual([]);
  const seat = { seat: 'flushHole', heldBy: 'screws', clothGapMm: null, lookAgain: '' } as const;
  expect(foamNeeds([{ ...LEFT, tweeterSeat: seat }])).toEqual([]);
});
