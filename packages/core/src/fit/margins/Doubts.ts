/**
 * What a length depends on while it is worked out: for each dimension of opening and candidate, by its slot, the
 * sensitivity so far. A dimension that enters twice is one sum, so a bracket that counts on both sides cancels; an
 * instrument's own error, or that of a face that was read from, is a slot of its own that all its readings share.
 */
import type { Dimension, Variance } from '../../uncertainty';

/** A length as a sum about its working point: what `Together` draws from. */
export type Form = { readonly valueMm: number; readonly slots: Int32Array; readonly sensitivities: Float64Array };

/** The slot of an error that a dimension shares with others, and how many times it enters. */
export type SharedSlot = { readonly slot: number; readonly by: number };

const NONE: readonly SharedSlot[] = [];

export class Doubts {
  readonly uncertaintyMm: Float64Array;
  readonly freedom: Float64Array;
  readonly isRectangular: Uint8Array;
  private readonly shared: (readonly SharedSlot[])[];
  /** Whether a slot has any: most have none, and are asked millions of times. */
  private readonly hasShared: Uint8Array;
  private readonly sensitivity: Float64Array;
  private readonly isTouched: Uint8Array;
  private readonly touched: Int32Array;
  private count = 0;

  constructor(slots: number) {
    this.uncertaintyMm = new Float64Array(slots);
    this.freedom = new Float64Array(slots).fill(Number.POSITIVE_INFINITY);
    this.isRectangular = new Uint8Array(slots);
    this.shared = new Array(slots).fill(NONE);
    this.hasShared = new Uint8Array(slots);
    this.sensitivity = new Float64Array(slots);
    this.isTouched = new Uint8Array(slots);
    this.touched = new Int32Array(slots);
  }

  /** Puts a dimension into a slot; shared errors go into the slots that are given. */
  set(slot: number, dimension: Dimension | null, shared: readonly SharedSlot[] = NONE): void {
    this.uncertaintyMm[slot] = dimension?.uncertaintyMm ?? 0;
    this.freedom[slot] = dimension?.degreesOfFreedom ?? Number.POSITIVE_INFINITY;
    this.isRectangular[slot] = dimension?.isRectangular ? 1 : 0;
    this.shared[slot] = shared;
    this.hasShared[slot] = shared.length > 0 ? 1 : 0;
  }

  /** Adds to how much the length at hand depends on a dimension. */
  add(slot: number, sensitivity: number): void {
    if (this.hasShared[slot] === 1) {
      for (const each of this.shared[slot] as readonly SharedSlot[]) this.touch(each.slot, each.by * sensitivity);
    }
    if ((this.uncertaintyMm[slot] as number) > 0) this.touch(slot, sensitivity);
  }

  private touch(slot: number, sensitivity: number): void {
    if (this.isTouched[slot] === 0) {
      this.isTouched[slot] = 1;
      this.sensitivity[slot] = 0;
      this.touched[this.count++] = slot;
    }
    this.sensitivity[slot] = (this.sensitivity[slot] as number) + sensitivity;
  }

  /** Adds up what the length at hand depends on. */
  sumInto(out: Variance): void {
    out.clear();
    for (let at = 0; at < this.count; at++) {
      const slot = this.touched[at] as number;
      const each = (this.sensitivity[slot] as number) * (this.uncertaintyMm[slot] as number);
      out.add(each * each, this.freedom[slot] as number, this.isRectangular[slot] === 1);
    }
  }

  /** The length at hand as a form of its own. */
  form(valueMm: number): Form {
    const slots = this.touched.slice(0, this.count);
    return { valueMm, slots, sensitivities: Float64Array.from(slots, (slot) => this.sensitivity[slot] as number) };
  }

  /** Begins another length. */
  clear(): void {
    for (let at = 0; at < this.count; at++) this.isTouched[this.touched[at] as number] = 0;
    this.count = 0;
  }
}
