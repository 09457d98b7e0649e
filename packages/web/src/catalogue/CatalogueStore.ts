/**
 * The catalogue as it lies on the device, in IndexedDB: parts in buckets of JSON text (read and written faster than records one by
 * one), and beside them what every screen needs at once. All of a change is written in one transaction. Kept records are those that
 * were read by the program that names itself in the head; another program reads them anew.
 */

import { type ConnectorRecord, isAtHand, type PartRecord } from '@low-quarry/core/catalogue';
import type { CataloguePlace } from '@low-quarry/core/contracts/catalogue';
import type { Unreadable } from '@low-quarry/core/contracts/library';
import { toStored } from '@low-quarry/core/records';
import { BUCKETS, bucketOf } from './bucketOf';
import { Catalogue, versionOf } from './Catalogue';
import type { KeptKnown } from './KnownCatalogue';
import { type ListedText, toListedText } from './ListedParts';

/** Values under keys, some at once: as `idb-keyval` has them. */
export type CatalogueKeeping = {
  readonly getMany: (keys: readonly string[]) => Promise<readonly unknown[]>;
  readonly setMany: (entries: readonly (readonly [string, unknown])[]) => Promise<void>;
  readonly clear: () => Promise<void>;
};

type Head = {
  readonly program: string;
  readonly place: CataloguePlace;
  /** How many parts lie in the buckets: fewer are not the catalogue. */
  readonly parts: number;
  readonly unreadable: readonly Unreadable[];
};
type Shelf = { readonly connectors: readonly ConnectorRecord[]; readonly parts: readonly PartRecord[] };

const HEAD = 'head';
const LISTED = 'listed';
const SHELF = 'shelf';
const bucketKey = (at: number) => `bucket ${at}`;
const ALL_BUCKETS = Array.from({ length: BUCKETS }, (_, at) => bucketKey(at));

export class CatalogueStore {
  constructor(
    private readonly keeping: CatalogueKeeping,
    private readonly program: string,
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

  /** The whole of it into memory. @returns whether there was one */
  async readInto(catalogue: Catalogue): Promise<boolean> {
    const [head, shelf, ...texts] = (await this.keeping.getMany([HEAD, SHELF, ...ALL_BUCKETS])) as [
      Head | undefined,
      string | undefined,
      ...(string | undefined)[],
    ];
    if (!head || !shelf) return false;
    // All of it is read before anything in memory is let go.
    const { connectors } = JSON.parse(shelf) as Shelf;
    const kept = texts.flatMap(keptIn);
    if (kept.length !== head.parts) return false;
    const read = new Catalogue();
    read.place = head.place;
    for (const connector of connectors) read.connectors.set(connector.id, connector);
    if (head.program === this.program) {
      for (const part of kept) read.parts.set(part.id, toPart(part));
      for (const { id, why } of head.unreadable) read.unreadable.set(id, why);
      catalogue.become(read);
      return true;
    }
    // What could not be read then is not here to be read now: it has to be asked for again.
    if (head.unreadable.length > 0) return false;
    const changes = { connectors: [...connectors].map((each) => toStored('connector', each)), gone: [], toCome: 0 };
    read.apply({ isWhole: true, parts: kept, ...changes, at: head.place, hasMore: false });
    if (read.unreadable.size > 0) return false;
    catalogue.become(read);
    await this.write(catalogue, new Set(catalogue.parts.keys()));
    return true;
  }

  /** @param changed ids of parts that are other ones now, or gone */
  async write(catalogue: Catalogue, changed: ReadonlySet<string>): Promise<void> {
    const { place } = catalogue;
    if (!place) throw new Error('CatalogueStore.write: expected a catalogue that knows its place, got an empty one');
    const unreadable = catalogue.unreadableParts();
    const head: Head = { program: this.program, place, parts: catalogue.parts.size, unreadable };
    const touched = new Set([...changed].map(bucketOf));
    const buckets = Array.from({ length: BUCKETS }, (): object[] => []);
    for (const part of catalogue.parts.values()) {
      const at = bucketOf(part.id);
      if (touched.has(at)) buckets[at]?.push(toStored('part', part));
    }
    await this.keeping.setMany([
      [HEAD, head],
      [LISTED, toListedText(catalogue.inOrder())],
      [SHELF, JSON.stringify(shelfOf(catalogue))],
      ...[...touched].map((at) => [bucketKey(at), JSON.stringify(buckets[at])] as const),
    ]);
  }

  forget(): Promise<void> {
    return this.keeping.clear();
  }
}

/** What screens need of a catalogue in memory, for a device that keeps nothing. */
export function knownOf(catalogue: Catalogue): KeptKnown {
  const { place } = catalogue;
  if (!place) throw new Error('knownOf: expected a catalogue that knows its place, got an empty one');
  const { connectors, parts } = shelfOf(catalogue);
  const listed = toListedText(catalogue.inOrder());
  return { version: versionOf(place), listed, connectors, shelf: parts, unreadable: catalogue.unreadableParts() };
}

function shelfOf(catalogue: Catalogue): Shelf {
  const parts = catalogue.inOrder().filter(isAtHand);
  return { connectors: [...catalogue.connectors.values()], parts };
}

type Kept = PartRecord & { readonly form?: number };

/** As they were kept: with the number of their form. */
function keptIn(text: string | undefined): Kept[] {
  return text ? (JSON.parse(text) as Kept[]) : [];
}

function toPart({ form: _, ...part }: Kept): PartRecord {
  return part as PartRecord;
}
