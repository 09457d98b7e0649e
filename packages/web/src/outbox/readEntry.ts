/** Reads what is kept of an entry, by whatever program. What cannot be read stays as it is, and is shown as what it is. */
import type { Entry } from './Entry';
import { entrySchema } from './entrySchema';
import { FORM, type KeptEntry, type Raw, UPGRADES } from './keptEntries';

/**
 * @param personId whose outbox it is
 * @returns why, where it cannot be read
 */
export function readEntry(raw: KeptEntry, personId: string): Entry | string {
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
