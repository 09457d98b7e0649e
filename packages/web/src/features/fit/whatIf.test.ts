import { expect, test } from '@jest/globals';
import { depthAt, exact, opening, rodAt, within } from '@low-quarry/core/testing/shapes';
import { isWhatIf, NO_WHAT_IF, withWhatIf } from './whatIf';

const top = { key: 'depthTop', xMm: 0, yMm: 60, depth: within(58, 1) };
const at = opening({ depths: [...depthAt(within(64, 1)), top], frontGap: within(20, 1) });

test('nothing moved changes nothing', () => {
  expect(isWhatIf(NO_WHAT_IF)).toBe(false);
  expect(withWhatIf(at, NO_WHAT_IF)).toEqual(at);
});

test('a moved glass moves as a whole, and counts as known', () => {
  const moved = withWhatIf(at, { ...NO_WHAT_IF, depthBehind: 66 });
  expect(moved.depths.map(({ depth }) => [depth.valueMm, depth.uncertaintyMm, depth.origin])).toEqual([
    [66, 0, 'whatIf'],
    [60, 0, 'whatIf'],
  ]);
  expect(moved.frontGap).toEqual(at.frontGap);
});

test('a gap that nobody has measured cannot be moved', () => {
  const unknown = opening({ frontGap: null });
  expect(withWhatIf(unknown, { ...NO_WHAT_IF, frontGap: 12 }).frontGap).toBeNull();
  expect(withWhatIf(at, { ...NO_WHAT_IF, frontGap: 12 }).frontGap).toEqual({ ...exact(12), origin: 'whatIf' });
});

test('a round hole and a beam move by themselves', () => {
  const door = opening({
    obstacles: [
      rodAt({ id: 'beam', xMm: 0, yMm: -50, depth: within(55, 1), diameterMm: 30 }),
      rodAt({ id: 'rail', xMm: 0, yMm: 60, depth: within(70, 1), diameterMm: 10 }),
    ],
  });
  const moved = withWhatIf(door, { ...NO_WHAT_IF, holeDiameter: 146, obstacles: { beam: 50 } });
  expect(isWhatIf({ ...NO_WHAT_IF, obstacles: { beam: 50 } })).toBe(true);
  expect(moved.hole).toEqual({ kind: 'circle', diameter: { ...exact(146), origin: 'whatIf' } });
  expect(moved.obstacles[0]?.depth).toEqual({ ...exact(50), origin: 'whatIf' });
  expect(moved.obstacles[1]).toBe(door.obstacles[1]);
  expect(moved.depths).toBe(door.depths);
  // A hole of another shape has no one diameter.
  const oval = opening({ hole: { kind: 'oval', length: exact(220), width: exact(150) } });
  expect(withWhatIf(oval, { ...NO_WHAT_IF, holeDiameter: 146 }).hole).toBe(oval.hole);
});
