/** Library records as they are read from the database: one that cannot be read is named, and stands in nobody's way. */
import type { PartRecord } from '@low-quarry/core/catalogue';
import type { Unreadable } from '@low-quarry/core/contracts/unreadable';
import { readStored, type Stored } from '@low-quarry/core/records';
import type { Result } from '@low-quarry/core/result';

type LibraryKind = 'part' | 'connector' | 'vehicle';

/** A record with its version: as it is kept, and as it is read. */
export type FoundRecord<Rec> = {
  readonly version: number;
  readonly kept: unknown;
  readonly record: Result<Rec, string>;
};

export function readRecords<Kind extends LibraryKind>(
  kind: Kind,
  rows: readonly { readonly id: string; readonly record: unknown }[],
): { readonly read: readonly Stored<Kind>[]; readonly unreadable: readonly Unreadable[] } {
  const read: Stored<Kind>[] = [];
  const unreadable: Unreadable[] = [];
  for (const { id, record } of rows) {
    const found = readStored(kind, record);
    if (found.ok) read.push(found.value);
    else unreadable.push({ id, why: found.failure });
  }
  return { read, unreadable };
}

/** A record as the text that is kept, from the database. */
export type KeptRow = { readonly kept: string };

export function keptOf(rows: readonly KeptRow[]): readonly string[] {
  return rows.map(({ kept }) => kept);
}

/** Parts as the JSON that is kept; those that cannot be read are left out. */
export function readKept(kept: readonly string[]): readonly PartRecord[] {
  const rows = kept.map((text) => JSON.parse(text) as { readonly id: string });
  return readRecords(
    'part',
    rows.map((record) => ({ id: record.id, record })),
  ).read;
}
