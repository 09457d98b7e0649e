/** Brings the catalogue that lies on the device into memory, and writes it there. All of a change is written in one transaction. */

import { isAtHand } from '@low-quarry/core/catalogue';
import { toStored } from '@low-quarry/core/records';
import { BUCKETS, bucketOf } from './bucketOf';
import { Catalogue } from './Catalogue';
import {
  ALL_BUCKETS,
  bucketKey,
  HEAD,
  type Head,
  KeptCatalogue,
  keptIn,
  LISTED,
  SHELF,
  type Shelf,
  toPart,
} from './KeptCatalogue';
import type { KeptKnown } from './KnownCatalogue';
import { toListedText } from './toListedText';
import { versionOf } from './versionOf';

export class CatalogueStore extends KeptCatalogue {
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
