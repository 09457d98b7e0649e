/** Gathers the chains of one bolt class after another and puts them into the order in which a search tries them. */
import type { FitOpening } from '../shapes';
import type { CatalogueIndex } from './CatalogueIndex';
import type { JudgedJoint } from './ClassMount';
import { type Chains, MountColumns } from './MountColumns';

export class MountBuilder {
  private readonly first: number[] = [0];
  private readonly done: Chains = noChains();
  /** Of the class at hand, in the order in which they were found. */
  private now: Chains = noChains();

  constructor(
    private readonly opening: FitOpening,
    private readonly index: CatalogueIndex,
  ) {}

  /**
   * @param lower place of the first bracket in the catalogue; and of the second
   * @param joints empty where the vehicle's screws are not known
   */
  add(lower: number, upper: number, joints: readonly JudgedJoint[]): void {
    const { now } = this;
    now.lower.push(lower);
    now.upper.push(upper);
    now.joints.push(joints);
  }

  /** The bare speaker of the class at hand, on which nothing mates: its bolts hit by a margin that is not above this. */
  addHopeless(boltsMm: number): void {
    const { none } = this.index.bracketColumns;
    this.now.lower.push(none);
    this.now.upper.push(none);
    this.now.joints.push(null);
    this.now.hopelessMm.push(boltsMm);
  }

  get isEmpty(): boolean {
    return this.now.lower.length === 0;
  }

  /** The class at hand is complete: fewest brackets first, then the lowest, then the cheapest. */
  endClass(): void {
    const { now, done } = this;
    const count = now.lower.length;
    const order = now.lower.map((_, at) => at);
    if (count > 1) order.sort((a, b) => this.compare(a, b));
    for (let place = 0; place < count; place++) {
      const at = order[place] as number;
      done.lower.push(now.lower[at] as number);
      done.upper.push(now.upper[at] as number);
      done.joints.push(now.joints[at] as readonly JudgedJoint[] | null);
      done.hopelessMm.push(now.hopelessMm[at] ?? Number.NaN);
    }
    this.first.push(done.lower.length);
    this.now = noChains();
  }

  /** @param bare the joints of the bare speaker of a class, for chains that came without theirs */
  build(bare: (speakerClass: number) => readonly JudgedJoint[]): MountColumns {
    return new MountColumns(Int32Array.from(this.first), this.done, this.opening, this.index, bare);
  }

  private compare(a: number, b: number): number {
    const { lower, upper } = this.now;
    const { none, heightMm, costMinor } = this.index.bracketColumns;
    const [lowerA, lowerB] = [lower[a] as number, lower[b] as number];
    const [upperA, upperB] = [upper[a] as number, upper[b] as number];
    const partsOf = (low: number, high: number) => (low === none ? 0 : high === none ? 1 : 2);
    const sumOf = (of: Float64Array, low: number, high: number) => (of[high] as number) + (of[low] as number);
    return (
      partsOf(lowerA, upperA) - partsOf(lowerB, upperB) ||
      sumOf(heightMm, lowerA, upperA) - sumOf(heightMm, lowerB, upperB) ||
      sumOf(costMinor, lowerA, upperA) - sumOf(costMinor, lowerB, upperB) ||
      (this.idsOf(lowerA, upperA) < this.idsOf(lowerB, upperB) ? -1 : 1)
    );
  }

  private idsOf(lower: number, upper: number): string {
    const { brackets } = this.index;
    const second = brackets[upper];
    return `${brackets[lower]?.id ?? ''}${second ? `+${second.id}` : ''}/`;
  }
}

function noChains(): Chains {
  return { lower: [], upper: [], joints: [], hopelessMm: [] };
}
