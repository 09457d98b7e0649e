/** What was done of a car's plan, changed by a press: it counts at once, and goes to the shop by the outbox, through whatever happens to the network. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import { type Bay, jobTitle, type StepMark } from '@low-quarry/core/model';
import { needsPerson, type SaveRecord } from '../../outbox/Entry';
import { useOutbox } from '../../outbox/OutboxProvider';
import type { WithBay } from '../../outbox/saved/savedBay';
import { newId } from '../../ui/newId';

export type BayAtHand = {
  /** What waits to be sent is what is so. */
  readonly bay: Bay;
  /** What the shop did not take, and a person has to settle first. */
  readonly stuck: SaveRecord | undefined;
  readonly isWaiting: boolean;
  readonly save: (next: Bay) => void;
  /** @param mark null takes it off */
  readonly mark: (stepId: string, mark: StepMark | null) => void;
};

export function useBay(job: Job): BayAtHand {
  const { outbox, entries } = useOutbox();
  const isOwn = (entry: (typeof entries)[number]): entry is SaveRecord =>
    entry.kind === 'saveRecord' && entry.of === 'bay' && entry.recordId === job.id;
  const waiting = entries.filter(isOwn);
  const last = waiting.at(-1);
  const { bay } = last ? (last.record as WithBay) : job;
  const entryOf = (version: number, base: Bay, next: Bay): SaveRecord => ({
    kind: 'saveRecord',
    ...{ id: newId(), personId: outbox.personId, at: new Date().toISOString(), refused: null, clash: null },
    label: `What was done of ${jobTitle(job)}`,
    ...{ of: 'bay', recordId: job.id, version, base: { bay: base }, record: { bay: next } },
    ...{ formName: `bay.${job.id}`, draft: '', page: window.location.pathname },
  });
  const save = async (next: Bay) => {
    if (!last || needsPerson(last)) return outbox.add(entryOf(job.version, bay, next));
    // A day without the network is one entry, not one for each press.
    const again = entryOf(last.version, (last.base as WithBay).bay, next);
    await outbox.replace(last.id, again);
    // It was sent in that moment: then this is a change on top of it.
    if (!outbox.entries().some(({ id }) => id === again.id)) await outbox.add(entryOf(last.version, bay, next));
  };
  return {
    bay,
    stuck: waiting.find(needsPerson),
    isWaiting: last !== undefined,
    save: (next) => void save(next),
    mark: (stepId, mark) => {
      const { [stepId]: _, ...others } = bay.steps;
      void save({ ...bay, steps: mark ? { ...others, [stepId]: mark } : others });
    },
  };
}
