import { describe, expect, test } from '@jest/globals';
import { meanMm } from '@low-quarry/core/model';
import { obstacleSchema } from '@low-quarry/core/model/opening';
import { newDepth, newObstacle, noted, obstacleId, placesError, toShape, withSource } from './surroundings';

describe('a new beam', () => {
  test('is one that the shop would take, marked as a guess, under a name nobody has', () => {
    const first = newObstacle([]);
    const second = newObstacle([first]);
    expect(obstacleSchema.parse(first)).toEqual(first);
    expect(first.depth.source).toBe('guess');
    expect([first.id, second.id]).toEqual(['crash-beam', 'crash-beam-2']);
    expect(obstacleId('wiring', [first])).toBe('wiring');
    expect(newObstacle([second]).id).toBe(first.id);
  });

  test('changes its shape without losing one that fits already', () => {
    const { shape } = newObstacle([]);
    expect(toShape('rod', shape)).toBe(shape);
    const box = toShape('box', shape);
    expect(obstacleSchema.shape.shape.safeParse(box).success).toBe(true);
    expect(toShape('rod', box).kind).toBe('rod');
  });
});

describe('a length typed over another', () => {
  test('over a guess it was taken here, with the depth stick', () => {
    const { measurement } = newDepth();
    expect(noted(measurement, 63.5, '2 1/2"')).toEqual({
      readingsMm: [63.5],
      source: 'depthStick',
      entered: '2 1/2"',
      takenBy: null,
      takenAt: null,
    });
  });

  test('the instrument that was set stays', () => {
    const byTape = withSource(noted(newDepth().measurement, 60, '60'), 'tapeMm');
    expect(noted(byTape, 61, '61').source).toBe('tapeMm');
    expect(meanMm({ ...byTape, readingsMm: [60, 61, 65] })).toBe(62);
  });
});

describe('places of a tracing', () => {
  const limits = { least: 3, most: 4, farthestMm: 250 };
  const at = (xMm: number, yMm = 0) => ({ xMm, yMm, bulgeMm: 0 });

  test('too few, too many, too far: says how many were read and what is expected', () => {
    expect(placesError([at(1)], limits)).toBe('1 places were read; expected 3 to 4.');
    expect(
      placesError(
        [1, 2, 3, 4, 5].map((x) => at(x)),
        limits,
      ),
    ).toBe('5 places were read; expected 3 to 4.');
    expect(placesError([at(1), at(2, -260), at(3)], limits)).toBe(
      'Place 2 lies more than 250 mm from the centre; type a nearer one.',
    );
    expect(placesError([at(1), at(2), at(250)], limits)).toBeNull();
  });
});
