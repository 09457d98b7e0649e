/** Choosing through the outbox: what of it waits, and what was refused. */
import type { NewChoice } from '@low-quarry/core/contracts/choices';
import { type Entry, needsPerson, recordsOf } from '../../outbox/Entry';
import { useOutbox } from '../../outbox/OutboxProvider';
import { newId } from '../../ui/newId';

export type Choosing = {
  readonly isWaiting: boolean;
  readonly refusal: string | null;
  readonly keep: (jobId: string, label: string, choices: NewChoice[]) => void;
  readonly remove: (label: string, version: number) => void;
};

export function useChoosing(openingId: string): Choosing {
  const { outbox, entries } = useOutbox();
  const mine = entries.filter((entry) => entry.kind !== 'saveOpening' && recordsOf(entry).includes(openingId));
  const add = (entry: Entry) => {
    // What was refused is done anew, not again.
    for (const each of mine) if (needsPerson(each)) void outbox.remove(each.id);
    void outbox.add(entry);
  };
  const common = () => ({ id: newId(), personId: outbox.personId, at: new Date().toISOString(), refused: null });
  return {
    isWaiting: mine.some((entry) => !needsPerson(entry)),
    refusal: mine.find(({ refused }) => refused)?.refused?.message ?? null,
    keep: (jobId, label, choices) => add({ ...common(), kind: 'keepChoices', label, jobId, choices }),
    remove: (label, version) => add({ ...common(), kind: 'removeChoice', label, openingId, version }),
  };
}
