/** Work by hand that the shown candidate is judged with: in the address, so that a reload and a link show the same. */

import type { Candidate, FitOpening, FitRules, Judgement, Work } from '@low-quarry/core/fit';
import { harnessFor, judgeWithHarness, sameWorks, type Worked, withWork } from '@low-quarry/core/fit';
import { worksSchema } from '@low-quarry/core/model';
import type { HarnessAdapter } from '@low-quarry/core/wiring/index';

export const WORKS_PARAM = 'work';

/** What the address says; nothing where it cannot be read. */
export function readWorks(search: URLSearchParams): readonly Work[] {
  try {
    const read = worksSchema.safeParse(JSON.parse(search.get(WORKS_PARAM) ?? '[]'));
    return read.success ? read.data : [];
  } catch {
    return [];
  }
}

export function writeWorks(works: readonly Work[]): string | null {
  return works.length > 0 ? JSON.stringify(works) : null;
}

export type Shown = Worked & {
  readonly works: readonly Work[];
  /** Why the work cannot be done to this opening and these parts, which are shown as they are then. */
  readonly undoable: string | null;
};

export function shownWith(opening: FitOpening, candidate: Candidate, works: readonly Work[], rules: FitRules): Shown {
  const worked = withWork(opening, candidate, works, rules);
  return worked.ok
    ? { ...worked.value, works, undoable: null }
    : { opening, candidate, works: [], undoable: worked.failure };
}

/** The other side of the car with the same kinds of work, as much of each as it takes there; with none where that would not do. */
export function shownThere(
  opening: FitOpening,
  candidate: Candidate,
  works: readonly Work[],
  adapters: readonly HarnessAdapter[],
  rules: FitRules,
): Shown {
  const harness = harnessFor(opening, candidate.speaker, adapters);
  const judge = (at: FitOpening, what: Candidate): Judgement => judgeWithHarness(at, what, harness, rules);
  return shownWith(opening, candidate, sameWorks(opening, candidate, works, judge, rules) ?? [], rules);
}
