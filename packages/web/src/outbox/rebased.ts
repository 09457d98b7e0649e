/** What follows a save of the same opening builds on what the shop has after it. */
import type { Opening } from '@low-quarry/core/contracts/openings';
import { mergeChanges, OPENING_FIELDS } from '@low-quarry/core/records';
import type { Entry, SaveOpening } from './Entry';

/**
 * @param sent the entry that is done; the later ones were typed on top of its record
 * @param answer what the shop has now: that record, with what others had changed meanwhile
 */
export function rebased(entries: readonly Entry[], sent: Entry, answer: unknown): readonly SaveOpening[] {
  if (sent.kind !== 'saveOpening') return [];
  const { version, record } = answer as Opening;
  return entries.flatMap((entry) => {
    if (entry.kind !== 'saveOpening' || entry.openingId !== sent.openingId || entry.id === sent.id) return [];
    const { merged } = mergeChanges(OPENING_FIELDS, sent.record, entry.record, record);
    return [{ ...entry, version, base: record, record: merged, clash: null }];
  });
}
