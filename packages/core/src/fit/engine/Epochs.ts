/**
 * The openings that answers still rest on. An answer that holds is not worked out again, so each speaker's rests on the
 * opening of some earlier ranking; here stands how far the margins have moved since each of them. Moves are taken from
 * opening to opening and not summed up: a hand that goes there and back has moved nothing.
 */
import type { FitOpening } from '../shapes';
import type { DepthMoves } from './DepthMoves';
import { behindMoved, frontShiftMm, holeMoved, type MoveMm, obstaclesMoved } from './openingMoves';
import { CHECK_AT } from './Scratch';

/** So many openings are kept; what rests on an older one is brought to the last. */
export const MOST_EPOCHS = 48;
/** The checks that move by lengths have the numbers below this. */
export const MOVING_CHECKS = 5;

/** A move of bolts that nothing can stand. */
const ANYTHING_MM = 1e5;

export class Epochs {
  /** How far margins may have risen and sunk from each epoch to the latest opening, by epoch and check, mm; but bolts. */
  readonly up = new Float64Array(MOST_EPOCHS * MOVING_CHECKS);
  readonly down = new Float64Array(MOST_EPOCHS * MOVING_CHECKS);
  /** For each epoch, how many checks may have moved since, and which. */
  readonly movedCount = new Uint8Array(MOST_EPOCHS);
  readonly moved = new Uint8Array(MOST_EPOCHS * MOVING_CHECKS);
  /** The epoch of the latest opening. */
  latest = 0;
  /** The clearance that the latest opening asks for behind the body, mm. */
  behindAskedMm = 0;
  private readonly openings: (FitOpening | null)[] = Array.from({ length: MOST_EPOCHS }, () => null);
  /** How far the bolts' margins of each class have moved in all: by class, and as it was in each epoch. */
  private readonly boltsPath: Float64Array;
  private readonly boltsPaths: Float64Array;

  /** @param reachMm how far from the hole's centre bodies reach, with their feet on a steep sheet */
  constructor(
    private readonly classes: number,
    private readonly reachMm: number,
    private readonly depthMoves: Pick<DepthMoves, 'compare'>,
  ) {
    this.boltsPath = new Float64Array(classes);
    this.boltsPaths = new Float64Array(MOST_EPOCHS * classes);
  }

  /** The epoch that the next opening takes: what rests on it must be brought to the latest one before. */
  get next(): number {
    return (this.latest + 1) % MOST_EPOCHS;
  }

  /** Begins an epoch with an opening. */
  begin(opening: FitOpening, boltsMovedMm: Float64Array, behindAskedMm: number): void {
    const { classes, boltsPath } = this;
    this.behindAskedMm = behindAskedMm;
    for (let each = 0; each < classes; each++) {
      boltsPath[each] = (boltsPath[each] as number) + Math.min(ANYTHING_MM, boltsMovedMm[each] as number);
    }
    this.latest = this.next;
    this.openings[this.latest] = opening;
    this.boltsPaths.set(boltsPath, this.latest * classes);
    this.openings.forEach((before, epoch) => {
      if (before) this.compare(epoch, before, opening);
    });
  }

  /** How far the bolts' margins of a class have moved since an epoch, mm. */
  boltsMm(epoch: number, boltClass: number): number {
    return (this.boltsPath[boltClass] as number) - (this.boltsPaths[epoch * this.classes + boltClass] as number);
  }

  hasMoved(epoch: number, check: number): boolean {
    const at = epoch * MOVING_CHECKS + check;
    return (this.up[at] as number) > 0 || (this.down[at] as number) > 0;
  }

  /** Whether more than lengths have changed since an epoch: then no answer of that time holds. */
  isAnything(epoch: number): boolean {
    const at = epoch * MOVING_CHECKS;
    return this.up.subarray(at, at + MOVING_CHECKS).includes(Number.POSITIVE_INFINITY);
  }

  /** By how much the front gap has grown since an epoch, mm. */
  frontMm(epoch: number): number {
    const at = epoch * MOVING_CHECKS + CHECK_AT.front;
    return (this.up[at] as number) - (this.down[at] as number);
  }

  private compare(epoch: number, before: FitOpening, now: FitOpening): void {
    const shift = frontShiftMm(before, now);
    const front = Number.isNaN(shift)
      ? { up: Number.POSITIVE_INFINITY, down: Number.POSITIVE_INFINITY }
      : { up: Math.max(0, shift), down: Math.max(0, -shift) };
    this.note(epoch, CHECK_AT.hole, holeMoved(before, now));
    this.note(epoch, CHECK_AT.depth, behindMoved(before, now, this.reachMm));
    this.depthMoves.compare(epoch, before, now);
    this.note(epoch, CHECK_AT.obstacles, obstaclesMoved(before, now));
    this.note(epoch, CHECK_AT.front, front);
    let count = 0;
    for (let check = 0; check < MOVING_CHECKS; check++) {
      if (check === CHECK_AT.bolts ? this.haveBoltsMoved(epoch) : this.hasMoved(epoch, check))
        this.moved[epoch * MOVING_CHECKS + count++] = check;
    }
    this.movedCount[epoch] = count;
  }

  private haveBoltsMoved(epoch: number): boolean {
    const { classes, boltsPath, boltsPaths } = this;
    return boltsPath.some((path, each) => path !== boltsPaths[epoch * classes + each]);
  }

  private note(epoch: number, check: number, { up, down }: MoveMm): void {
    this.up[epoch * MOVING_CHECKS + check] = up;
    this.down[epoch * MOVING_CHECKS + check] = down;
  }
}
