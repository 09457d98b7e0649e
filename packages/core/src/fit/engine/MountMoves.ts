/** What a change of the vehicle's screws did to the chains of each bolt class, for answers that may hold still. */
import type { ClassMount } from './ClassMount';
import type { MountColumns } from './MountColumns';
import { ringsMovedMm, type SpacerOption } from './SpacerOption';

export class MountMoves {
  /** Classes whose chains sit as they did before the last change. */
  isKept: readonly boolean[] = [];
  /** How far the bolts' margins of each class have moved in the last change, mm; Infinity where other chains came. */
  readonly boltsMovedMm: Float64Array;
  private mounts: MountColumns | null = null;
  private spacers: readonly SpacerOption[] = [];

  constructor(classes: number) {
    this.boltsMovedMm = new Float64Array(classes);
  }

  /** @returns whether chains or spacers are others than before */
  compare(mounts: MountColumns, spacers: readonly SpacerOption[]): boolean {
    const before = this.mounts;
    if (before === mounts) {
      this.boltsMovedMm.fill(0);
      return false;
    }
    const ringsMm = ringsMovedMm(this.spacers, spacers);
    const kept: boolean[] = [];
    for (let at = 0; at < mounts.classes; at++) {
      const [old, now] = [before?.list(at) ?? [], mounts.list(at)];
      kept.push(sitAlike(old, now));
      this.boltsMovedMm[at] = Math.max(ringsMm, kept[at] ? boltsOffMm(old, now) : Number.POSITIVE_INFINITY);
    }
    this.isKept = kept;
    this.mounts = mounts;
    this.spacers = spacers;
    return true;
  }
}

/** Whether two lists of mounts are the same chains in the same pose, as far as a body can tell. */
function sitAlike(a: readonly ClassMount[], b: readonly ClassMount[]): boolean {
  return (
    a.length === b.length &&
    a.every((each, at) => {
      const other = b[at] as ClassMount;
      const [here, there] = [each.mount.pose, other.mount.pose];
      return (
        each.ids === other.ids &&
        here.xMm === there.xMm &&
        here.yMm === there.yMm &&
        here.angleRad === there.angleRad &&
        here.raisedMm === there.raisedMm
      );
    })
  );
}

/** How far the bolts' margins of mounts that sit alike lie apart, mm; Infinity where one says more than the other. */
function boltsOffMm(before: readonly ClassMount[], now: readonly ClassMount[]): number {
  let most = 0;
  for (const [at, { bolts, wireWay }] of now.entries()) {
    const other = before[at] as ClassMount;
    if (wireWay.gravity !== other.wireWay.gravity) return Number.POSITIVE_INFINITY;
    if (bolts.gravity !== other.bolts.gravity || bolts.hasMargin !== other.bolts.hasMargin)
      return Number.POSITIVE_INFINITY;
    most = Math.max(
      most,
      Math.abs(bolts.valueMm - other.bolts.valueMm) + Math.abs(bolts.expandedMm - other.bolts.expandedMm),
    );
  }
  return most;
}
