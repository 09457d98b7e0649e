/** What a press at a step writes down. */
import type { StepMark } from '@low-quarry/core/model';
import type { PlanStep } from '@low-quarry/core/plan';

export type Noted = Pick<StepMark, 'note' | 'counted' | 'torque'>;
type Who = { readonly by: string; readonly at: string };

/**
 * What is written down of a step by now; what nobody counted yet is as many as came out, or as there should be.
 *
 * @param cameOut null where nobody counted, or this is where they come out
 */
export function notedAt({ counts }: PlanStep, mark: StepMark | null, cameOut: number | null): Noted {
  const pieces = cameOut ?? counts?.count ?? null;
  const counted = mark?.counted ?? (pieces === null ? undefined : { pieces, broken: 0, replaced: 0 });
  return { ...(mark?.note ? { note: mark.note } : {}), ...(counted ? { counted } : {}), ...torqueOf(mark) };
}

function torqueOf(mark: StepMark | null): Pick<StepMark, 'torque'> {
  return mark?.torque ? { torque: mark.torque } : {};
}

export function doneMark(step: PlanStep, noted: Noted, who: Who): StepMark {
  return {
    ...{ state: 'done', print: step.print, ...who, ...kept(noted) },
    ...(step.needsSecond ? { seconded: null, words: wordsOf(step) } : {}),
  };
}

export function skippedMark(step: PlanStep, noted: Noted, reason: string, who: Who): StepMark {
  return { state: 'skipped', print: step.print, ...who, ...kept(noted), reason, words: wordsOf(step) };
}

/** Something is written down, and it is still to be done; null where nothing is. */
export function notedMark(step: PlanStep, noted: Noted, who: Who): StepMark | null {
  const own = kept(noted);
  return Object.keys(own).length === 0 ? null : { state: 'noted', print: step.print, ...who, ...own };
}

/** A note that was emptied is none. */
function kept({ note, counted, torque }: Noted): Noted {
  return { ...(note ? { note } : {}), ...(counted ? { counted } : {}), ...(torque ? { torque } : {}) };
}

function wordsOf({ where, what }: PlanStep): string {
  return `${where}: ${what}`.slice(0, 300);
}

/** What will be true once it is pressed: "2 out", "4 back in". */
export function pressWords({ counts }: PlanStep, { counted }: Noted): string {
  if (counts === null) return 'Done';
  const end = counts.way === 'off' ? 'out' : 'back in';
  const pieces = counted?.pieces ?? null;
  return pieces === null ? `All ${end}, not counted` : pieces === 1 ? `One ${end}` : `${pieces} ${end}`;
}
