/** The catalogue in memory: what the shop sent, read once, and what changed since, record by record. */

import { type ConnectorRecord, isWhole, type PartRecord } from '@low-quarry/core/catalogue';
import type { CatalogueChanges, CataloguePlace } from '@low-quarry/core/contracts/catalogue';
import type { Unreadable } from '@low-quarry/core/contracts/unreadable';
import { readStored } from '@low-quarry/core/records';

export class Catalogue {
  readonly parts = new Map<string, PartRecord>();
  readonly connectors = new Map<string, ConnectorRecord>();
  /** Why what the shop keeps of a part cannot be read; it is no part here. */
  readonly unreadable = new Map<string, string>();
  place: CataloguePlace | null = null;

  /** @returns ids of parts that are other ones now, or gone */
  apply({ isWhole, parts, connectors, gone, at }: CatalogueChanges): ReadonlySet<string> {
    const changed = new Set<string>();
    if (isWhole) {
      for (const id of this.parts.keys()) changed.add(id);
      for (const each of [this.parts, this.connectors, this.unreadable]) each.clear();
    }
    for (const kept of parts) {
      const read = readStored('part', kept);
      const id = read.ok ? read.value.id : idIn(kept);
      changed.add(id);
      this.parts.delete(id);
      this.unreadable.delete(id);
      if (read.ok) this.parts.set(id, read.value);
      else this.unreadable.set(id, read.failure);
    }
    for (const id of gone) {
      changed.add(id);
      this.parts.delete(id);
      this.unreadable.delete(id);
    }
    for (const kept of connectors) {
      const read = readStored('connector', kept);
      if (read.ok) this.connectors.set(read.value.id, read.value);
    }
    this.place = at;
    return changed;
  }

  /** Takes what another one has in the place of all that was here. */
  become({ parts, connectors, unreadable, place }: Catalogue): void {
    const pairs = [
      [this.parts, parts],
      [this.connectors, connectors],
      [this.unreadable, unreadable],
    ] as const;
    for (const [own, theirs] of pairs as readonly (readonly [Map<string, unknown>, ReadonlyMap<string, unknown>])[]) {
      own.clear();
      for (const [id, each] of theirs) own.set(id, each);
    }
    this.place = place;
  }

  /** Speakers that can be judged, those that lack figures, then everything else, each by their ids: the same order whatever came when. */
  inOrder(): readonly PartRecord[] {
    const rank = (part: PartRecord) => (part.kind !== 'speaker' ? 2 : isWhole(part) ? 0 : 1);
    return [...this.parts.values()].sort((a, b) => rank(a) - rank(b) || (a.id < b.id ? -1 : 1));
  }

  unreadableParts(): readonly Unreadable[] {
    return [...this.unreadable].map(([id, why]) => ({ id, why }));
  }
}

function idIn(kept: unknown): string {
  const id = (kept as { readonly id?: unknown } | null)?.id;
  return typeof id === 'string' ? id : 'a part without an id';
}
