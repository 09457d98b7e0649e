/**
 * The catalogue as it lies on the device, in IndexedDB, and what pages read of it: parts in buckets of JSON text (read and written faster
 * than records one by one), and beside them what every screen needs at once. Kept records are those that were read by the program that
 * names itself in the head; another program reads them anew (`CatalogueStore`).
 */

import type { ConnectorRecord, PartRecord } from '@low-quarry/core/catalogue';
import type { CataloguePlace } from '@low-quarry/core/contracts/catalogue';
import type { Unreadable } from '@low-quarry/core/contracts/unreadable';
import { BUCKETS, bucketOf } from './bucketOf';
import type { KeptKnown } from './KnownCatalogue';
import type { ListedText } from './listedText';
import { versionOf } from './versionOf';

/** Values under keys, some at once: as `idb-keyval` has them. */
export type CatalogueKeeping = {
  readonly getMany: (keys: readonly string[]) => Promise<readonly unknown[]>;
  readonly setMany: (entries: readonly (readonly [string, unknown])[]) => Promise<void>;
  readonly clear: () => Promise<void>;
};

export type Head = {
  readonly program: string;
  readonly place: CataloguePlace;
  /** How many parts lie in the buckets: fewer are not the catalogue. */
  readonly parts: number;
  readonly unreadable: readonly Unreadable[];
};
export type Shelf = { readonly connectors: readonly ConnectorRecord[]; readonly parts: readonly PartRecord[] };

export const HEAD = 'head';
export const LISTED = 'listed';
export const SHELF = 'shelf';
export const bucketKey = (at: number) => `bucket ${at}`;
export const ALL_BUCKETS = Array.from({ length: BUCKETS }, (_, at) => bucketKey(at));

export class KeptCatalogue {
  constructor(
    protected readonly keeping: CatalogueKeeping,
    protected readonly program: string,
  ) {}

  /** Where the device's catalogue is; null where there is none, or another program kept it. */
  async place(): Promise<CataloguePlace | null> {
    const [head] = (await this.keeping.getMany([HEAD])) as [Head | undefined];
    return head?.program === this.program ? head.place : null;
  }

  /** What screens need of it at once; null where there is none of this program. */
  async readKnown(): Promise<KeptKnown | null> {
    const [head, listed, shelf] = (await this.keeping.getMany([HEAD, LISTED, SHELF])) as [
      Head | undefined,
      ListedText | undefined,
      string | undefined,
    ];
    if (head?.program !== this.program || !listed || !shelf) return null;
    const { connectors, parts } = JSON.parse(shelf) as Shelf;
    return {
      version: versionOf(head.place),
      listed,
      connectors,
      shelf: parts,
      unreadable: head.unreadable,
    };
  }

  /** Parts by their ids, in any order; null where this program keeps no catalogue of that version, or not all of them. */
  async readParts(version: string, ids: readonly string[]): Promise<readonly PartRecord[] | null> {
    const buckets = [...new Set(ids.map(bucketOf))];
    const [head, ...texts] = (await this.keeping.getMany([HEAD, ...buckets.map(bucketKey)])) as [
      Head | undefined,
      ...(string | undefined)[],
    ];
    if (head?.program !== this.program || versionOf(head.place) !== version) return null;
    const wanted = new Set(ids);
    const found = texts.flatMap(keptIn).filter(({ id }) => wanted.has(id));
    return found.length === wanted.size ? found.map(toPart) : null;
  }
}

type Kept = PartRecord & { readonly form?: number };

/** As they were kept: with the number of their form. */
export function keptIn(text: string | undefined): Kept[] {
  return text ? (JSON.parse(text) as Kept[]) : [];
}

export function toPart({ form: _, ...part }: Kept): PartRecord {
  return part as PartRecord;
}
