/**
 * Margins of the stacks without a spacer, kept from ranking to ranking: one column for each check that is dear to work
 * out, one place for each mount of each speaker. A column goes out of date as a whole, by its number.
 */
import type { MarginMm } from './MarginMm';
import { CHECK_AT } from './Scratch';

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
  readonly hole = new Column();
  readonly depth = new Column();
  readonly obstacles = new Column();
  /** First stack of each speaker; one more at the end. */
  first = new Int32Array(1);

  /** The same of each speaker's best stack, which may have a spacer: one place for each speaker. Out of date by `now` above. */
  readonly bestHole: Column;
  readonly bestDepth: Column;
  readonly bestObstacles: Column;

  constructor(speakers: number) {
    this.bestHole = Column.of(speakers);
    this.bestDepth = Column.of(speakers);
    this.bestObstacles = Column.of(speakers);
  }

  /** With the checks that they belong to. */
  readonly each = [
    [CHECK_AT.hole, this.hole],
    [CHECK_AT.depth, this.depth],
    [CHECK_AT.obstacles, this.obstacles],
  ] as const;

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
    for (const [, column] of this.each) {
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
