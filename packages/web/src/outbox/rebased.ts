/** What follows a save of the same record builds on what the shop has after it. */
import type { Opening } from '@low-quarry/core/contracts/openings';
import { mergeChanges, OPENING_FIELDS } from '@low-quarry/core/records';
import type { Entry, SaveOpening, SaveRecord } from './Entry';

/**
 * @param sent the entry that is done; the later ones were typed on top of its record
 * @param answer what the shop has now: that record, with what others had changed meanwhile
 */
export async function rebased(
  entries: readonly Entry[],
  sent: Entry,
  answer: unknown,
): Promise<readonly (SaveOpening | SaveRecord)[]> {
  if (sent.kind === 'saveRecord') {
    const isNext = (entry: Entry): entry is SaveRecord =>
      entry.kind === 'saveRecord' && entry.of === sent.of && entry.recordId === sent.recordId && entry.id !== sent.id;
    const later = entries.filter(isNext);
    return later.length === 0 ? [] : (await import('./sendSaved')).rebasedSaved(later, sent, answer);
  }
  if (sent.kind !== 'saveOpening') return [];
  const { version, record } = answer as Opening;
  return entries.flatMap((entry) => {
    if (entry.kind !== 'saveOpening' || entry.openingId !== sent.openingId || entry.id === sent.id) return [];
    const { merged } = mergeChanges(OPENING_FIELDS, sent.record, entry.record, record);
    return [{ ...entry, version, base: record, record: merged, clash: null }];
  });
}
