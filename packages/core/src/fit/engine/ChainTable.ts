/**
 * Which chains the bolt classes have, in flat arrays: class after class and the simplest first. They hang on what mates
 * with the vehicle alone, so a bolt circle that is dragged meets the same table again and again; what its screws say of
 * each chain stands in `MountColumns`.
 */
import type { CatalogueIndex } from './CatalogueIndex';
import type { JudgedJoint } from './ClassMount';

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
  /** Place of the last chain of the class with as many brackets; those between stand higher and higher. */
  readonly lastAlike: Int32Array;
  /** Whether one of its brackets is offset. */
  readonly isOffset: Uint8Array;
  /** What a round body on the axis may measure in the throats if no bracket is offset, mm; NaN where a throat is not round. */
  readonly throatRadiusMm: Float64Array;
  /** For each class, how high the lowest of its chains stands, mm. */
  readonly lowestMm: Float64Array;

  /** @param first where the chains of each class begin; one place more than classes */
  constructor(
    readonly first: Int32Array,
    readonly chains: Chains,
    { bracketColumns }: CatalogueIndex,
  ) {
    const { none, heightMm, heightVariance, costMinor, throatRadiusMm, isOffset } = bracketColumns;
    const { lower, upper } = chains;
    const sum = (of: Float64Array) =>
      Float64Array.from(lower, (low, at) => (of[upper[at] as number] as number) + (of[low] as number));
    this.raisedMm = sum(heightMm);
    this.raisedVariance = sum(heightVariance);
    this.costMinor = sum(costMinor);
    this.parts = Uint8Array.from(lower, (low, at) => (low === none ? 0 : upper[at] === none ? 1 : 2));
    this.throatRadiusMm = Float64Array.from(lower, (low, at) =>
      Math.min(throatRadiusMm[low] as number, throatRadiusMm[upper[at] as number] as number),
    );
    this.isOffset = Uint8Array.from(lower, (low, at) =>
      Math.max(isOffset[low] as number, isOffset[upper[at] as number] as number),
    );
    this.lastAlike = new Int32Array(lower.length);
    this.lowestMm = new Float64Array(this.classes);
    for (let speakerClass = 0; speakerClass < this.classes; speakerClass++) this.noteClass(speakerClass);
  }

  get classes(): number {
    return this.first.length - 1;
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
