/** What was written down at the same step of the car's other side: who did that one learnt something there. */
import type { Bay } from '../model';
import type { PlanStep } from './PlanStep';

export type OtherSide = { readonly side: 'left' | 'right'; readonly by: string; readonly words: string };

/**
 * Of each step the note of its other side, and what broke there; nothing of what was only ticked.
 *
 * @returns by the id of the step that it is offered to
 */
export function otherSideNotes(steps: readonly PlanStep[], bay: Pick<Bay, 'steps'>): ReadonlyMap<string, OtherSide> {
  const sided = steps.flatMap((step) => (step.side ? [{ step, side: step.side, key: sidelessKey(step) }] : []));
  const notes = new Map<string, OtherSide>();
  for (const { step, side, key } of sided) {
    const other = sided.find((each) => each.key === key && each.side !== side);
    const mark = other && bay.steps[other.step.id];
    if (!other || !mark) continue;
    const broken = mark.counted?.broken ?? 0;
    const words = [
      ...(mark.note ? [mark.note] : []),
      ...(broken > 0 ? [`${broken} broken or gone`] : []),
      ...(mark.state === 'skipped' && mark.reason ? [`left out: ${mark.reason}`] : []),
    ].join('; ');
    if (words !== '') notes.set(step.id, { side: other.side, by: mark.by, words });
  }
  return notes;
}

/** The same of both sides: what it is, and where without the word for the side. */
function sidelessKey({ id, where }: PlanStep): string {
  const what = id.startsWith('opening ') ? id.split(' ').slice(2).join(' ') : id.replace(/(Left|Right)\b/, '');
  return `${what}|${where.replace(/\b(left|right)\b/, '')}`;
}
