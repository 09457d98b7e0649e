/** Where each speaker stands: its best stack in columns, and the order of all of them. */
import { figureOf } from '../Ranking';
import { HITS, MEASURE } from './Scratch';

/** What a ranking did with a speaker. */
export const KEPT = 0;
export const SHIFTED = 1;
export const JUDGED = 2;

/** Widths of the parts of a rough key: 53 bits are whole in a double. */
const SPEAKER_RANGE = 2 ** 18;
const FIGURE_RANGE = 2 ** 32;
const PARTS_RANGE = 2 ** 28;
const MOST_SURENESS = 1000;

export class Standings {
  readonly verdict: Uint8Array;
  readonly decidedBy: Uint8Array;
  /** Margin of what decides; NaN where no length does. */
  readonly marginMm: Float64Array;
  readonly expandedMm: Float64Array;
  /** Mount of the speaker's class and spacer option of its best stack, -1 for none. */
  readonly mount: Int32Array;
  readonly spacer: Int32Array;
  readonly worstMm: Float64Array;
  readonly leastSureness: Float64Array;
  readonly parts: Uint8Array;
  readonly costMinor: Float64Array;
  readonly stacks: Int32Array;
  /** 0 for the opening's own size, 1 for any other. */
  readonly own: Uint8Array;
  /** What the last ranking did with each speaker. */
  readonly fate: Uint8Array;
  /** The speakers, best first. */
  order: number[];
  private readonly compare: (a: number, b: number) => number;

  /** @param nameRank place of each speaker in the order of names, the last of all ties */
  constructor(readonly nameRank: Int32Array) {
    const count = nameRank.length;
    this.verdict = new Uint8Array(count);
    this.decidedBy = new Uint8Array(count);
    this.marginMm = new Float64Array(count);
    this.expandedMm = new Float64Array(count);
    this.mount = new Int32Array(count);
    this.spacer = new Int32Array(count);
    this.worstMm = new Float64Array(count);
    this.leastSureness = new Float64Array(count);
    this.parts = new Uint8Array(count);
    this.costMinor = new Float64Array(count);
    this.stacks = new Int32Array(count);
    this.own = new Uint8Array(count);
    this.fate = new Uint8Array(count);
    this.order = Array.from({ length: count }, (_, at) => at);
    this.compare = this.comparison();
  }

  /** Puts all in order, whatever stood before. */
  sort(): void {
    this.sortRoughly();
    this.order.sort(this.compare);
  }

  /**
   * Puts those that were judged again into the order of the others. Those that were shifted have all moved alike, so they
   * still stand in order among themselves.
   */
  mend(): void {
    const kept: number[] = [];
    const shifted: number[] = [];
    const judged: number[] = [];
    const lists = [kept, shifted, judged];
    for (const at of this.order) (lists[this.fate[at] as number] as number[]).push(at);
    if (judged.length + shifted.length === 0) return;
    judged.sort(this.compare);
    this.order = this.merged(this.merged(kept, shifted), judged);
  }

  private merged(a: readonly number[], b: number[]): number[] {
    if (a.length === 0) return b;
    if (b.length === 0) return a as number[];
    const { compare } = this;
    const all: number[] = [];
    let i = 0;
    let j = 0;
    while (i < a.length && j < b.length) {
      all.push(compare(a[i] as number, b[j] as number) <= 0 ? (a[i++] as number) : (b[j++] as number));
    }
    while (i < a.length) all.push(a[i++] as number);
    while (j < b.length) all.push(b[j++] as number);
    return all;
  }

  /** By one whole number each, which a sort without a comparison does at once; the comparison then finds little to do. */
  private sortRoughly(): void {
    const { verdict, own, order } = this;
    if (order.length > SPEAKER_RANGE) return;
    const keys = new Float64Array(order.length);
    for (let at = 0; at < keys.length; at++) {
      const group = (verdict[at] as number) * 2 + (own[at] as number);
      keys[at] = (group * FIGURE_RANGE + this.roughFigure(at)) * SPEAKER_RANGE + at;
    }
    keys.sort();
    this.order = Array.from(keys, (key) => key % SPEAKER_RANGE);
  }

  private roughFigure(at: number): number {
    const kind = this.verdict[at] as number;
    if (kind === HITS) return Math.min(FIGURE_RANGE - 1, Math.round(-(this.worstMm[at] as number) * 1e5));
    if (kind === MEASURE) {
      const sureness = this.leastSureness[at] as number;
      return Math.round((MOST_SURENESS - Math.max(-MOST_SURENESS, Math.min(MOST_SURENESS, sureness))) * 1e6);
    }
    const cost = Math.min(PARTS_RANGE - 1, Math.round(this.costMinor[at] as number));
    return Math.min(15, this.parts[at] as number) * PARTS_RANGE + cost;
  }

  private comparison(): (a: number, b: number) => number {
    const { verdict, own, leastSureness, worstMm, parts, costMinor, nameRank } = this;
    return (a, b) => {
      const rank = (verdict[a] as number) - (verdict[b] as number) || (own[a] as number) - (own[b] as number);
      if (rank !== 0) return rank;
      const kind = verdict[a] as number;
      if (kind === MEASURE || kind === HITS) {
        const off =
          kind === MEASURE
            ? figureOf(leastSureness[b] as number) - figureOf(leastSureness[a] as number)
            : figureOf(worstMm[b] as number) - figureOf(worstMm[a] as number);
        if (off !== 0) return off;
      }
      return (
        (parts[a] as number) - (parts[b] as number) ||
        (costMinor[a] as number) - (costMinor[b] as number) ||
        (nameRank[a] as number) - (nameRank[b] as number)
      );
    };
  }
}
