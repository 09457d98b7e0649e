/**
 * Entries as they are kept on the device, each with the number of its form, and how those of earlier programs are brought to
 * today's. What cannot be is kept as it is and shown as what it is.
 *
 * 1: without a number, in local storage. 2: with the person who did it.
 */
import { type Entry, entrySchema } from './Entry';

/** Whatever a program kept: not more is known of it. */
export type KeptEntry = unknown;
export type UnreadableEntry = { readonly raw: unknown; readonly why: string };
export type Read = { readonly entries: readonly Entry[]; readonly unreadable: readonly UnreadableEntry[] };

type Raw = Readonly<Record<string, unknown>>;

const UPGRADES: readonly ((entry: Raw, personId: string) => Raw)[] = [(entry, personId) => ({ ...entry, personId })];
const FORM = UPGRADES.length + 1;

export function toKept(entry: Entry): KeptEntry {
  return { form: FORM, ...entry };
}

/** @param personId whose outbox it is */
export function readKeptEntries(list: readonly KeptEntry[], personId: string): Read {
  const entries: Entry[] = [];
  const unreadable: UnreadableEntry[] = [];
  for (const raw of list) {
    const read = readEntry(raw, personId);
    if (typeof read === 'string') unreadable.push({ raw, why: read });
    else entries.push(read);
  }
  return { entries, unreadable };
}

function readEntry(raw: KeptEntry, personId: string): Entry | string {
  if (typeof raw !== 'object' || raw === null) return 'it is no entry';
  const { form = 1, ...kept } = raw as Raw;
  if (typeof form !== 'number' || form < 1) return 'its form has no number';
  if (form > FORM) return `it was written by a newer program (form ${form})`;
  const upgraded = UPGRADES.slice(form - 1).reduce<Raw>((entry, upgrade) => upgrade(entry, personId), kept);
  const parsed = entrySchema.safeParse(upgraded);
  if (parsed.success) return parsed.data;
  const [issue] = parsed.error.issues;
  return `${issue?.path.join('.')}: ${issue?.message}`;
}
