/**
 * Which chains the bolt classes have, in flat arrays: class after class and the simplest first. They hang on what mates
 * with the vehicle alone, so a bolt circle that is dragged meets the same table again and again; what its screws say of
 * each chain stands in `MountColumns`.
 */
import type { CatalogueIndex } from './CatalogueIndex';
import { type JudgedJoint, keepWorstJoint } from './JudgedJoint';
import { clearMargin, newMargin } from './MarginMm';

/** Chains side by side: places of their brackets among the catalogue's, and their joints above the vehicle's own. */
export type Chains = {
  readonly lower: number[];
  readonly upper: number[];
  readonly above: (readonly JudgedJoint[])[];
};

export class ChainTable {
  readonly raisedMm: Float64Array;
  readonly raisedVariance: Float64Array;
  readonly parts: Uint8Array;
  readonly costMinor: Float64Array;
  /** The vehicle side of its first bracket, -1 for none. */
  readonly side: Int32Array;
  /** The worst margin of the joints above the vehicle's own, and its interval, mm; Infinity where there is none. */
  readonly aboveMm: Float64Array;
  readonly aboveExpandedMm: Float64Array;
  /** Place of the last chain of the class with as many brackets; those between stand higher and higher. */
  readonly lastAlike: Int32Array;
  /** Whether one of its brackets is offset. */
  readonly isOffset: Uint8Array;
  /** What a round body on the axis may measure in the throats if no bracket is offset, mm; NaN where a throat is not round. */
  readonly throatRadiusMm: Float64Array;
  /** For each class, how high the lowest of its chains stands, mm. */
  readonly lowestMm: Float64Array;
  private readonly worst = newMargin();

  /** @param first where the chains of each class begin; one place more than classes */
  constructor(
    readonly first: Int32Array,
    readonly chains: Chains,
    index: CatalogueIndex,
  ) {
    const count = chains.lower.length;
    this.raisedMm = new Float64Array(count);
    this.raisedVariance = new Float64Array(count);
    this.parts = new Uint8Array(count);
    this.costMinor = new Float64Array(count);
    this.side = new Int32Array(count);
    this.aboveMm = new Float64Array(count);
    this.aboveExpandedMm = new Float64Array(count);
    this.isOffset = new Uint8Array(count);
    this.throatRadiusMm = new Float64Array(count);
    for (let at = 0; at < count; at++) {
      this.setBrackets(at, index);
      this.setAbove(at);
    }
    this.lastAlike = new Int32Array(count);
    this.lowestMm = new Float64Array(this.classes);
    for (let speakerClass = 0; speakerClass < this.classes; speakerClass++) this.noteClass(speakerClass);
  }

  get classes(): number {
    return this.first.length - 1;
  }

  private setBrackets(at: number, { bracketColumns, vehicleSide }: CatalogueIndex): void {
    const { none, heightMm, heightVariance, costMinor, throatRadiusMm, isOffset } = bracketColumns;
    const lower = this.chains.lower[at] as number;
    const upper = this.chains.upper[at] as number;
    this.raisedMm[at] = (heightMm[upper] as number) + (heightMm[lower] as number);
    this.raisedVariance[at] = (heightVariance[upper] as number) + (heightVariance[lower] as number);
    this.costMinor[at] = (costMinor[upper] as number) + (costMinor[lower] as number);
    this.parts[at] = lower === none ? 0 : upper === none ? 1 : 2;
    this.side[at] = lower === none ? -1 : (vehicleSide[lower] as number);
    this.throatRadiusMm[at] = Math.min(throatRadiusMm[lower] as number, throatRadiusMm[upper] as number);
    this.isOffset[at] = Math.max(isOffset[lower] as number, isOffset[upper] as number);
  }

  private setAbove(at: number): void {
    const { worst } = this;
    clearMargin(worst);
    keepWorstJoint(worst, this.chains.above[at] as readonly JudgedJoint[]);
    this.aboveMm[at] = worst.value;
    this.aboveExpandedMm[at] = worst.expanded;
  }

  private noteClass(speakerClass: number): void {
    const { parts, lastAlike, raisedMm } = this;
    const first = this.first[speakerClass] as number;
    let last = (this.first[speakerClass + 1] as number) - 1;
    let lowest = Number.POSITIVE_INFINITY;
    for (let at = last; at >= first; at--) {
      if (parts[at] !== parts[last]) last = at;
      lastAlike[at] = last;
      lowest = Math.min(lowest, raisedMm[at] as number);
    }
    this.lowestMm[speakerClass] = lowest;
  }
}
