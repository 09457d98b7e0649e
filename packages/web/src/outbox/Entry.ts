/**
 * Something a person did that the shop does not have yet. It is written to the device before anything is sent, and its id
 * is the request's Idempotency-Key: sent twice, it is done once.
 */

import type { z } from 'zod';
import type { entrySchema } from './entrySchema';

export type Entry = z.infer<typeof entrySchema>;
export type SaveOpening = Extract<Entry, { kind: 'saveOpening' }>;
export type SaveRecord = Extract<Entry, { kind: 'saveRecord' }>;
export type AddPhoto = Extract<Entry, { kind: 'addPhoto' }>;

/** The records that an entry changes: what is about the same one is sent in order. */
export function recordsOf(entry: Entry): readonly string[] {
  switch (entry.kind) {
    case 'saveOpening':
    case 'removeChoice':
    case 'removeOpening':
      return [entry.openingId];
    case 'saveRecord':
      return [entry.recordId];
    case 'keepChoices':
      return entry.choices.map(({ openingId }) => openingId);
    case 'bookIn':
    case 'addVehicle':
    case 'addOpening':
    case 'addPhoto':
      return [];
  }
}

/** Whether it waits for the person, not for the server. */
export function needsPerson(entry: Entry): boolean {
  return (
    entry.refused !== null || ((entry.kind === 'saveOpening' || entry.kind === 'saveRecord') && entry.clash !== null)
  );
}

/** The first entry that may be sent: no earlier one about the same record is still there. */
export function nextToSend(entries: readonly Entry[]): Entry | null {
  const blocked = new Set<string>();
  for (const entry of entries) {
    const records = recordsOf(entry);
    if (!needsPerson(entry) && !records.some((record) => blocked.has(record))) return entry;
    for (const record of records) blocked.add(record);
  }
  return null;
}
