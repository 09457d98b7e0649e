/** What broke or went missing in the bay, as it was counted there, and nothing is in its place yet. */
import { type Bay, FASTENER_LABELS, FASTENERS, goodFor, type SmallNeed } from '../model';
import type { PlanStep } from './PlanStep';

export function brokenNeeds(steps: readonly PlanStep[], bay: Pick<Bay, 'steps'>): readonly SmallNeed[] {
  return steps.flatMap(({ id, where, counts }): SmallNeed[] => {
    if (counts === null || counts.outAt !== null) return [];
    const back = steps.find((each) => each.counts?.outAt === id);
    const [out, again] = [bay.steps[id]?.counted, back && bay.steps[back.id]?.counted];
    const pieces = (out?.broken ?? 0) + (again?.broken ?? 0) - (again?.replaced ?? 0);
    if (pieces <= 0) return [];
    const by = bay.steps[id]?.by ?? '';
    const why = `${where}: ${pieces === 1 ? 'one is' : `${pieces} are`} broken or gone, counted in the bay by ${by}.`;
    const kind = FASTENERS.find((each) => FASTENER_LABELS[each] === counts.what);
    const good = kind ? goodFor(kind) : null;
    return [{ what: `New in its place: ${counts.what}`, why, pieces, ...(good ? { good } : {}) }];
  });
}
