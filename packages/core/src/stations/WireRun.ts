/** Something that is to be run new, with its length and its arithmetic. */
import type { SmallNeed } from '../model';

export type WireRun = {
  readonly id: string;
  /** Such as "Front door, left". */
  readonly what: string;
  /** What is to be cut from the drum; null where the way is not known. */
  readonly need: SmallNeed | null;
  readonly sentence: string;
  /** The one thing to measure; null where nothing is open. */
  readonly next: string | null;
};
