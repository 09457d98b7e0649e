/** What was done of a car's plan, changed by a press: it counts at once, and goes to the shop by the outbox, through whatever happens to the network. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import type { Bay, StepMark } from '@low-quarry/core/model';
import { useReducer, useRef, useState } from 'react';
import { needsPerson, type SaveRecord } from '../../outbox/Entry';
import { useOutbox } from '../../outbox/OutboxProvider';
import type { WithBay } from '../../outbox/saved/savedBay';
import { BayChanges, bayEntries } from './BayChanges';

export type BayAtHand = {
  /** What waits to be sent is what is so, and so is what is on its way to the device. */
  readonly bay: Bay;
  /** What the shop did not take, and a person has to settle first. */
  readonly stuck: SaveRecord | undefined;
  readonly change: (make: (bay: Bay) => Bay) => void;
  /** @param mark null takes it off */
  readonly mark: (stepId: string, mark: StepMark | null) => void;
};

export function useBay(job: Job): BayAtHand {
  const { outbox, entries } = useOutbox();
  const [, show] = useReducer((count: number) => count + 1, 0);
  // The job as it is known when a change is written down, not when it was made.
  const now = useRef(job);
  now.current = job;
  const [changes] = useState(() => new BayChanges(outbox, () => now.current, show));
  const own = bayEntries(entries, job.id);
  const last = own.at(-1);
  const bay = changes.onTopOf(last ? (last.record as WithBay).bay : job.bay);
  return {
    bay,
    stuck: own.find(needsPerson),
    change: (make) => void changes.add(make),
    mark: (stepId, mark) =>
      void changes.add((before) => {
        const { [stepId]: _, ...others } = before.steps;
        return { ...before, steps: mark ? { ...others, [stepId]: mark } : others };
      }),
  };
}
