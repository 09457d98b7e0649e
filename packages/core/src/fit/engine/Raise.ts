/** How high a stack raises the flange above the metal; written over and over, because numbers that are passed on are boxed. */
import type { ClassMount } from './ClassMount';
import type { SpacerOption } from './SpacerOption';

export type Raise = {
  mm: number;
  /** Of its height, mm², and the sum of the squares of its parts: how rectangular it is. */
  variance: number;
  fourth: number;
};

export function newRaise(): Raise {
  return { mm: 0, variance: 0, fourth: 0 };
}

export function setRaise(out: Raise, mount: ClassMount, option: SpacerOption | null): void {
  out.mm = mount.raisedMm;
  out.variance = mount.raisedVariance;
  out.fourth = mount.raisedFourth;
  if (!option) return;
  out.mm += option.heightMm;
  out.variance += option.variance;
  out.fourth += option.fourth;
}
