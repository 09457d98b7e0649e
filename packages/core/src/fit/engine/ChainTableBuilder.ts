/** Gathers the chains of one bolt class after another and puts them into the order in which a search tries them. */
import type { CatalogueIndex } from './CatalogueIndex';
import { type Chains, ChainTable } from './ChainTable';
import type { JudgedJoint } from './JudgedJoint';

export class ChainTableBuilder {
  private readonly first: number[] = [0];
  private readonly done: Chains = noChains();
  /** Of the class at hand, in the order in which they were found. */
  private now: Chains = noChains();

  constructor(private readonly index: CatalogueIndex) {}

  /**
   * @param lower place of the first bracket in the catalogue; and of the second
   * @param above the joints above the one on the vehicle
   */
  add(lower: number, upper: number, above: readonly JudgedJoint[]): void {
    const { now } = this;
    now.lower.push(lower);
    now.upper.push(upper);
    now.above.push(above);
  }

  /** The speaker straight on the metal. */
  addBare(): void {
    const { none } = this.index.bracketColumns;
    this.add(none, none, []);
  }

  get isEmpty(): boolean {
    return this.now.lower.length === 0;
  }

  /** The class at hand is complete: fewest brackets first, then the lowest, then the cheapest. */
  endClass(): void {
    const { now, done } = this;
    const order = now.lower.map((_, at) => at);
    if (order.length > 1) order.sort((a, b) => this.compare(a, b));
    for (const at of order) {
      done.lower.push(now.lower[at] as number);
      done.upper.push(now.upper[at] as number);
      done.above.push(now.above[at] as readonly JudgedJoint[]);
    }
    this.first.push(done.lower.length);
    this.now = noChains();
  }

  build(): ChainTable {
    return new ChainTable(Int32Array.from(this.first), this.done, this.index);
  }

  private compare(a: number, b: number): number {
    const { lower, upper } = this.now;
    const { none, heightMm, costMinor } = this.index.bracketColumns;
    const lowerA = lower[a] as number;
    const lowerB = lower[b] as number;
    const upperA = upper[a] as number;
    const upperB = upper[b] as number;
    const parts = partsOf(lowerA, upperA, none) - partsOf(lowerB, upperB, none);
    if (parts !== 0) return parts;
    const height = sumOf(heightMm, lowerA, upperA) - sumOf(heightMm, lowerB, upperB);
    if (height !== 0) return height;
    const cost = sumOf(costMinor, lowerA, upperA) - sumOf(costMinor, lowerB, upperB);
    if (cost !== 0) return cost;
    return this.idsOf(lowerA, upperA) < this.idsOf(lowerB, upperB) ? -1 : 1;
  }

  private idsOf(lower: number, upper: number): string {
    const { brackets } = this.index;
    const second = brackets[upper];
    return `${brackets[lower]?.id ?? ''}${second ? `+${second.id}` : ''}/`;
  }
}

function partsOf(lower: number, upper: number, none: number): number {
  return lower === none ? 0 : upper === none ? 1 : 2;
}

function sumOf(of: Float64Array, lower: number, upper: number): number {
  return (of[upper] as number) + (of[lower] as number);
}

function noChains(): Chains {
  return { lower: [], upper: [], above: [] };
}
