/** A car as the bay has it: with what is done of it at this device, what is worked on, and what holds the work. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { SETTINGS_DEFAULTS, type ShopSettings } from '@low-quarry/core/model';
import { type CarInBay, carInBay } from '@low-quarry/core/plan';
import { useMemo } from 'react';
import { useOutbox } from '../../outbox/OutboxProvider';
import type { WithQuieted } from '../../outbox/saved/savedQuieted';
import { type BayAtHand, useBay } from './useBay';

export type CarAtHand = {
  /** The same until something of it is another. */
  readonly car: CarInBay<OpeningWithState> & { readonly job: Job };
  readonly atHand: BayAtHand;
};

/** @param shop null while it is on its way: then as a shop begins */
export function useCarInBay(told: Job, openings: readonly OpeningWithState[], shop: ShopSettings | null): CarAtHand {
  const atHand = useBay(told);
  const { bay } = atHand;
  const { entries } = useOutbox();
  // What waits to be sent counts: it was read by its own schema.
  const waits = entries.findLast(
    (entry) => entry.kind === 'saveRecord' && entry.of === 'quieted' && entry.recordId === told.id,
  );
  const quieted = waits?.kind === 'saveRecord' ? (waits.record as WithQuieted).quieted : told.quieted;
  const car = useMemo(() => {
    const job = { ...told, bay, quieted };
    return { job, ...carInBay(job, openings, shop ?? SETTINGS_DEFAULTS) };
  }, [told, bay, quieted, openings, shop]);
  return { car, atHand };
}
