import { describe, expect, test } from '@jest/globals';
import { anticlockwise, reversedCorners } from './corners';

const SQUARE = [
  { xMm: 50, yMm: -50, bulgeMm: 1 },
  { xMm: 50, yMm: 50, bulgeMm: 2 },
  { xMm: -50, yMm: 50, bulgeMm: 3 },
  { xMm: -50, yMm: -50, bulgeMm: 4 },
];
/** Each edge as its two ends, in no order, with its bulge. */
const edges = (corners: typeof SQUARE) =>
  corners
    .map((corner, at) => {
      const next = corners[(at + 1) % corners.length];
      return `${[`${corner.xMm}/${corner.yMm}`, `${next?.xMm}/${next?.yMm}`].sort().join(' ')} ${corner.bulgeMm}`;
    })
    .sort();

describe('corners', () => {
  test('turned about, every edge keeps its ends and its bulge', () => {
    expect(edges(reversedCorners(SQUARE))).toEqual(edges(SQUARE));
    expect(reversedCorners(SQUARE)[0]).toEqual({ xMm: -50, yMm: -50, bulgeMm: 3 });
    expect(reversedCorners(reversedCorners(SQUARE))).toEqual(SQUARE);
  });

  test('anticlockwise either way, without touching what is so already', () => {
    expect(anticlockwise(SQUARE)).toEqual(SQUARE);
    expect(anticlockwise(reversedCorners(SQUARE))).toEqual(SQUARE);
    expect(anticlockwise([])).toEqual([]);
  });
});
