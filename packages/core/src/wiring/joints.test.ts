/** How wires are joined, by the shop's school and by the place. */
import { describe, expect, test } from '@jest/globals';
import { JOINTS, type JointSchool, type JointSpot, type JointWay, jointWayFor, staggerMm } from './joints';

const WAYS = Object.keys(JOINTS) as JointWay[];
const SPOTS: readonly JointSpot[] = ['dash', 'door', 'other', 'bench'];

describe('the way', () => {
  test.each<[JointSchool, JointSpot, JointWay]>([
    ['crimp', 'dash', 'butt'],
    ['crimp', 'door', 'sealedButt'],
    ['crimp', 'other', 'butt'],
    ['solder', 'door', 'solder'],
    ['solder', 'bench', 'solder'],
    ['plugIn', 'dash', 'blades'],
    ['plugIn', 'door', 'blades'],
  ])('of a shop that prefers %s, in the %s, is %s', (school, spot, way) => {
    expect(jointWayFor(school, spot)).toEqual({ way, instead: null });
  });

  test('inside a dash is never a hot iron, and says why it is another', () => {
    expect(jointWayFor('solder', 'dash')).toEqual({ way: 'butt', instead: expect.stringContaining('no hot iron') });
    for (const school of ['solder', 'crimp', 'plugIn'] as const)
      expect(jointWayFor(school, 'dash').way).not.toBe('solder');
  });

  test('in a door lets no water in, unless it is to come apart again', () => {
    for (const school of ['solder', 'crimp'] as const)
      expect(['sealedButt', 'solder']).toContain(jointWayFor(school, 'door').way);
  });
});

test('what is decided for a place goes before the school, and what to heed of it is said', () => {
  expect(jointWayFor('crimp', 'other', 'blades')).toEqual({ way: 'blades', instead: 'Decided for this place.' });
  expect(jointWayFor('crimp', 'dash', 'solder')).toEqual({
    way: 'solder',
    instead: expect.stringMatching(/^Decided for this place\. A hot iron inside a dash/),
  });
  expect(jointWayFor('solder', 'door', 'butt').instead).toContain('Water comes into a door');
  for (const way of ['sealedButt', 'solder', 'blades'] as const)
    expect(jointWayFor('crimp', 'door', way)).toEqual({ way, instead: 'Decided for this place.' });
});

// Common practice, no source: ends are stripped 6 to 13 mm by joint, and the joints of a pair are staggered so that they cannot touch.
test.each(WAYS)('%s: stripped within what is usual, and its neighbour lies further off than it is long', (way) => {
  expect(JOINTS[way].stripMm).toBeGreaterThanOrEqual(6);
  expect(JOINTS[way].stripMm).toBeLessThanOrEqual(13);
  expect(staggerMm(way)).toBeGreaterThan(JOINTS[way].lengthMm);
});

test('every way is somebody’s somewhere', () => {
  const met = (['solder', 'crimp', 'plugIn'] as const).flatMap((school) =>
    SPOTS.map((spot) => jointWayFor(school, spot).way),
  );
  expect(new Set(met)).toEqual(new Set(WAYS));
});
