/** Where each speaker stands: its best stack in columns, and the order of all of them. */
import { VERDICT_GRAVITY } from '../Check';
import type { CatalogueIndex } from './CatalogueIndex';
import { figureOf, type StackScore } from './Ranking';

const { clears: CLEARS, measure: MEASURE, hits: HITS } = VERDICT_GRAVITY;

/** Widths of the parts of a key with its speaker: 53 bits are whole in a double. */
const SPEAKER_RANGE = 2 ** 18;
const FIGURE_RANGE = 2 ** 32;
const PARTS_RANGE = 2 ** 28;
const MOST_SURENESS = 1000;

export class Standings {
  readonly verdict: Uint8Array;
  /** As `listedMm` has it. */
  readonly worstMm: Float64Array;
  readonly leastSureness: Float64Array;
  readonly parts: Uint8Array;
  readonly costMinor: Float64Array;
  /** 0 for the opening's own size, 1 for any other. */
  readonly own: Uint8Array;
  /** The speakers, best first. */
  order: Int32Array;
  private readonly compare: (a: number, b: number) => number;
  /** Of each speaker the whole number that orders it but for ties. */
  private readonly keys: Float64Array;
  private ownSize: string | null = null;

  /** @param nameRank place of each speaker in the order of names, the last of all ties */
  constructor(readonly nameRank: Int32Array) {
    const count = nameRank.length;
    this.verdict = new Uint8Array(count);
    this.worstMm = new Float64Array(count);
    this.leastSureness = new Float64Array(count);
    this.parts = new Uint8Array(count);
    this.costMinor = new Float64Array(count);
    this.own = new Uint8Array(count);
    this.order = Int32Array.from({ length: count }, (_, at) => at);
    this.keys = new Float64Array(count);
    this.compare = this.comparison();
  }

  /** Those of the opening's own size come first within a verdict. */
  setOwnSize({ speakers }: Pick<CatalogueIndex, 'speakers'>, nominalSize: string): void {
    if (this.ownSize === nominalSize) return;
    this.ownSize = nominalSize;
    speakers.forEach((speaker, at) => {
      this.own[at] = speaker.nominalSize === nominalSize ? 0 : 1;
    });
  }

  /** Where a speaker stands by its best stack. */
  note(speaker: number, { verdict, worstMm, leastSureness, addedParts, costMinor }: StackScore): void {
    this.verdict[speaker] = VERDICT_GRAVITY[verdict];
    this.worstMm[speaker] = worstMm;
    this.leastSureness[speaker] = leastSureness;
    this.parts[speaker] = addedParts;
    this.costMinor[speaker] = costMinor;
  }

  /** The first of those that clear, best first. */
  clearing(most: number): Int32Array {
    const { verdict, keys } = this;
    const list = new Int32Array(verdict.length);
    let count = 0;
    for (let at = 0; at < verdict.length; at++) {
      if (verdict[at] !== CLEARS) continue;
      keys[at] = this.key(at);
      list[count++] = at;
    }
    return this.sorted(list, count, most).subarray(0, most);
  }

  /** Puts all in order, whatever stood before. */
  sort(): void {
    const { keys, order } = this;
    for (let at = 0; at < keys.length; at++) keys[at] = this.key(at);
    this.order = this.sorted(order, order.length);
  }

  /**
   * The first of a list in order. By their keys first, which a sort without a comparison does at once.
   *
   * @param most no more are needed; those that tie with the last of them come too
   */
  private sorted(list: Int32Array, count: number, most = count): Int32Array {
    const { keys } = this;
    if (this.order.length > SPEAKER_RANGE) return Int32Array.from([...list.subarray(0, count)].sort(this.compare));
    const coarse = new Float64Array(count);
    for (let place = 0; place < count; place++) {
      const at = list[place] as number;
      coarse[place] = (keys[at] as number) * SPEAKER_RANGE + at;
    }
    coarse.sort();
    const at = (place: number) => (coarse[place] as number) % SPEAKER_RANGE;
    let end = Math.min(most, count);
    while (end > 0 && end < count && keys[at(end)] === keys[at(end - 1)]) end++;
    return Int32Array.from(Array.from({ length: end }, (_, place) => at(place)).sort(this.compare));
  }

  /** What `compare` looks at, down to the cost, as one whole number; where it is at its limits, ties. */
  private key(at: number): number {
    const group = (this.verdict[at] as number) * 2 + (this.own[at] as number);
    return group * FIGURE_RANGE + this.keyFigure(at);
  }

  private keyFigure(at: number): number {
    const kind = this.verdict[at] as number;
    if (kind === HITS) return Math.min(FIGURE_RANGE - 1, -figureOf(this.worstMm[at] as number));
    if (kind === MEASURE) {
      const sureness = figureOf(Math.max(-MOST_SURENESS, Math.min(MOST_SURENESS, this.leastSureness[at] as number)));
      return figureOf(MOST_SURENESS) - sureness;
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
