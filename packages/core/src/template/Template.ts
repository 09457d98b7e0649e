/** A piece to cut, drawn at 1:1 as it lies on the car, seen from the cabin: x to the right, y up, mm. */
import type { EllipseMm } from '../geometry';

export type TemplateHole = {
  readonly xMm: number;
  readonly yMm: number;
  readonly diameterMm: number;
  /** Whose screw goes through it. */
  readonly of: 'car' | 'speaker';
  /** The flange lies over its head, which is sunk. */
  readonly isSunk: boolean;
};

export type Template = {
  readonly thicknessMm: number;
  readonly outside: EllipseMm;
  readonly throat: EllipseMm;
  readonly holes: readonly TemplateHole[];
  /** What is left between two holes, and between a hole and an edge, mm: the least of all. */
  readonly leastWallMm: number;
};
