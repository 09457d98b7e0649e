/** What an opening lets pass by itself: hole and depth, each less the shop's clearance. */
import { describe, expect, test } from '@jest/globals';
import { exact, opening, RULES } from '@low-quarry/core/testing/shapes';
import { isWithin, limitsOf } from './limits';

const { glass, hole, metal } = RULES.clearancesMm;
const deep = (mm: number) => ({ key: 'depthBehind' as const, xMm: 0, yMm: 0, depth: exact(mm) });
const at = opening({ hole: { kind: 'circle', diameter: exact(130) }, depths: [deep(62), deep(58)], behind: 'glass' });

describe('limits', () => {
  test('of a round hole before glass: the diameter, and the least depth', () => {
    expect(limitsOf(at, RULES)).toEqual({ cutout: 130 - 2 * hole, depth: 58 - glass });
  });

  test('of an oval its narrowest; before metal the clearance to metal; before nothing no depth', () => {
    const oval = { kind: 'oval' as const, length: exact(218), width: exact(152) };
    expect(limitsOf({ ...at, hole: oval, behind: 'metal' }, RULES)).toEqual({
      cutout: 152 - 2 * hole,
      depth: 58 - metal,
    });
    expect(limitsOf({ ...at, behind: 'nothing' }, RULES)).toEqual({ cutout: 130 - 2 * hole });
  });

  test('what nobody measured sets none', () => {
    expect(limitsOf({ ...at, hole: { kind: 'circle', diameter: null }, depths: [] }, RULES)).toEqual({});
  });
});

test('a point is within the limits of its own two lengths, and no others', () => {
  const limits = { cutout: 128, depth: 53 };
  expect(isWithin({ x: 128, y: 53 }, limits, 'cutout', 'depth')).toBe(true);
  expect(isWithin({ x: 128.5, y: 40 }, limits, 'cutout', 'depth')).toBe(false);
  expect(isWithin({ x: 120, y: 53.5 }, limits, 'cutout', 'depth')).toBe(false);
  expect(isWithin({ x: 400, y: 53 }, limits, 'flange', 'depth')).toBe(true);
});
