/**
 * Margins of the stacks without a spacer, kept from ranking to ranking: one column for each check that is dear to work
 * out, one place for each mount of each speaker. A column goes out of date as a whole, by its number.
 */
import type { MarginMm } from './MarginMm';
import { CHECK_AT, type Scratch } from './Scratch';

/** The checks that cost a search, cheapest first. */
export const DEAR = [CHECK_AT.hole, CHECK_AT.depth, CHECK_AT.obstacles];

/** Margins of one check, and with which state of the opening each was worked out. */
export class Column {
  /** Goes up whenever what the check depends on changes. */
  now = 1;
  value = new Float64Array(0);
  expanded = new Float64Array(0);
  least = new Float64Array(0);
  made = new Int32Array(0);

  /** Makes room for so many places, all out of date. */
  static of(places: number): Column {
    const column = new Column();
    column.value = new Float64Array(places);
    column.expanded = new Float64Array(places);
    column.least = new Float64Array(places);
    column.made = new Int32Array(places);
    return column;
  }

  keep(stack: number, { value, expanded, least }: MarginMm): void {
    this.value[stack] = value;
    this.expanded[stack] = expanded;
    this.least[stack] = least;
    this.made[stack] = this.now;
  }
}

export class StackColumns {
  /** First stack of each speaker; one more at the end. */
  first = new Int32Array(1);
  /** Place of the margin that `known` found. */
  knownAt = 0;
  /** By check: of stacks without a spacer, and of each speaker's best stack, which may have one. These go by the others' `now`. */
  private readonly bare: readonly Column[];
  private readonly best: readonly Column[];

  constructor(speakers: number) {
    const columns = (of: () => Column) => Array.from({ length: Math.max(...DEAR) + 1 }, of);
    this.bare = columns(() => new Column());
    this.best = columns(() => Column.of(speakers));
  }

  /** The margins of a check for the stacks without a spacer. */
  of(check: number): Column {
    return this.bare[check] as Column;
  }

  /**
   * Where a margin is kept that is up to date, with its place in `knownAt`; null where there is none.
   *
   * @param stack its place, for one without a spacer; -1 for others
   * @param bestOf the speaker whose best it was; -1 where it was not
   */
  known(check: number, stack: number, bestOf: number): Column | null {
    const bare = this.of(check);
    if (stack >= 0 && bare.made[stack] === bare.now) {
      this.knownAt = stack;
      return bare;
    }
    if (bestOf < 0) return null;
    const best = this.best[check] as Column;
    if (best.made[bestOf] !== bare.now) return null;
    this.knownAt = bestOf;
    return best;
  }

  /** Keeps the margins of a speaker's best stack that were worked out. */
  keepBest(speaker: number, best: Scratch, isPlain: boolean): void {
    for (const check of DEAR) {
      const column = this.best[check] as Column;
      const isExact = best.hasMargin[check] === 1 && !(check === CHECK_AT.hole && best.isHoleRough);
      column.made[speaker] = isExact && !isPlain ? this.of(check).now : 0;
      column.value[speaker] = best.value[check] as number;
      column.expanded[speaker] = best.expanded[check] as number;
      column.least[speaker] = best.least[check] as number;
    }
  }

  /**
   * Makes room for other numbers of mounts.
   *
   * @param speakerClass class of each speaker
   * @param mounts how many mounts each class has
   * @param isKept which classes still have the mounts they had: their margins move along
   */
  resize(speakerClass: Int32Array, mounts: readonly number[], isKept: readonly boolean[]): void {
    const before = this.first;
    const first = new Int32Array(speakerClass.length + 1);
    let stacks = 0;
    speakerClass.forEach((each, speaker) => {
      first[speaker] = stacks;
      stacks += mounts[each] as number;
    });
    first[speakerClass.length] = stacks;
    this.first = first;
    for (const check of DEAR) {
      const column = this.of(check);
      const { value, expanded, least, made } = column;
      column.value = new Float64Array(stacks);
      column.expanded = new Float64Array(stacks);
      column.least = new Float64Array(stacks);
      column.made = new Int32Array(stacks);
      if (before.length !== first.length) continue;
      speakerClass.forEach((each, speaker) => {
        if (!isKept[each]) return;
        const to = first[speaker] as number;
        for (let from = before[speaker] as number; from < (before[speaker + 1] as number); from++) {
          const at = to + from - (before[speaker] as number);
          column.value[at] = value[from] as number;
          column.expanded[at] = expanded[from] as number;
          column.least[at] = least[from] as number;
          column.made[at] = made[from] as number;
        }
      });
    }
  }
}
