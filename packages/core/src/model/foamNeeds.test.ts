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
  const oval = {
    ...LEFT,
    holeKind: 'oval' as const,
    dimensions: { holeLength: reading(220), holeWidth: reading(140) },
  };
  expect(foamNeeds([oval])[0]?.lengthM).toBe(Math.ceil((Math.PI * 180 * 1.05) / 10) / 100);
  expect(foamNeeds([{ ...LEFT, housing: PLAIN_POD }])[0]?.lengthM).toBe(0.47);
});

test('of a rectangle with round corners, and of a hole as it was traced, it is their edge', () => {
  const sides = { holeLength: reading(200), holeWidth: reading(100) };
  const rectangle = { ...LEFT, holeKind: 'roundedRectangle' as const, dimensions: sides };
  // With corners of half its width it is two straight sides of 100 mm and a circle of 100 mm.
  const stadium = foamNeeds([{ ...rectangle, cornerRadiusMm: 50 }])[0]?.lengthM;
  expect(stadium).toBe(Math.ceil((200 + Math.PI * 100) * 0.105) / 100);
  expect(foamNeeds([{ ...rectangle, cornerRadiusMm: 0 }])[0]?.lengthM).toBe(0.63);
  // Two half circles of 100 mm, and a square of 100 mm.
  const traced = (bulgeMm: number, ...corners: readonly (readonly [number, number])[]) => ({
    ...{ ...LEFT, holeKind: 'polygon' as const, dimensions: {} },
    trace: { source: 'calliper' as const, corners: corners.map(([xMm, yMm]) => ({ xMm, yMm, bulgeMm })) },
  });
  expect(foamNeeds([traced(50, [-50, 0], [50, 0])])[0]?.lengthM).toBe(0.33);
  expect(foamNeeds([traced(0, [-50, -50], [50, -50], [50, 50], [-50, 50])])[0]?.lengthM).toBe(0.42);
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
