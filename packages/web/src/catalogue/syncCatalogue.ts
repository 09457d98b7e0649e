/** Brings a catalogue in memory to what the shop has, page by page. */
import type { CatalogueChanges, CataloguePlace } from '@low-quarry/core/contracts/catalogue';
import type { Catalogue } from './Catalogue';

export type CatalogueProgress = { readonly come: number; readonly toCome: number };

/**
 * @param ask the next changes after a place, everything after none
 * @param tell how far it is, where it takes more than one page
 * @returns ids of parts that are other ones now, or gone
 */
export async function syncCatalogue(
  catalogue: Catalogue,
  ask: (after: CataloguePlace | null) => Promise<CatalogueChanges>,
  tell: (progress: CatalogueProgress) => void,
): Promise<ReadonlySet<string>> {
  const changed = new Set<string>();
  let come = 0;
  for (;;) {
    const changes = await ask(catalogue.place);
    for (const id of catalogue.apply(changes)) changed.add(id);
    come += changes.parts.length;
    if (!changes.hasMore) return changed;
    tell({ come, toCome: changes.toCome });
  }
}
