/**
 * Entries as they are kept on the device, each with the number of its form, and how those of earlier programs are brought to
 * today's.
 *
 * 1: without a number, in local storage. 2: with the person who did it.
 */
import type { Entry } from './Entry';

/** Whatever a program kept: not more is known of it. */
export type KeptEntry = unknown;
export type UnreadableEntry = { readonly raw: unknown; readonly why: string };

export type Raw = Readonly<Record<string, unknown>>;

export const UPGRADES: readonly ((entry: Raw, personId: string) => Raw)[] = [
  (entry, personId) => ({ ...entry, personId }),
];
export const FORM = UPGRADES.length + 1;

export function toKept(entry: Entry): KeptEntry {
  return { form: FORM, ...entry };
}
