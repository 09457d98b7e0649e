import type { CataloguePlace } from '@low-quarry/core/contracts/catalogue';

/** Names a state of a catalogue: whatever follows from it holds for just this one. */
export function versionOf({ epoch, revision, id }: CataloguePlace): string {
  return `${epoch} ${revision} ${id}`;
}
