import { expect, test } from '@jest/globals';
import { depthAt, exact, opening, within } from '@low-quarry/core/testing/shapes';
import { isWhatIf, NO_WHAT_IF, withWhatIf } from './whatIf';

const top = { key: 'depthTop', xMm: 0, yMm: 60, depth: within(58, 1) };
const at = opening({ depths: [...depthAt(within(64, 1)), top], frontGap: within(20, 1) });

test('nothing moved changes nothing', () => {
  expect(isWhatIf(NO_WHAT_IF)).toBe(false);
  expect(withWhatIf(at, NO_WHAT_IF)).toEqual(at);
});

test('a moved glass moves as a whole, and counts as known', () => {
  const moved = withWhatIf(at, { depthBehind: 66, frontGap: null });
  expect(moved.depths.map(({ depth }) => [depth.valueMm, depth.uncertaintyMm, depth.origin])).toEqual([
    [66, 0, 'whatIf'],
    [60, 0, 'whatIf'],
  ]);
  expect(moved.frontGap).toEqual(at.frontGap);
});

test('a gap that nobody has measured cannot be moved', () => {
  const unknown = opening({ frontGap: null });
  expect(withWhatIf(unknown, { depthBehind: null, frontGap: 12 }).frontGap).toBeNull();
  expect(withWhatIf(at, { depthBehind: null, frontGap: 12 }).frontGap).toEqual({ ...exact(12), origin: 'whatIf' });
});
