/** How far a catalogue has come that is loaded for the first time. */
import { useSyncExternalStore } from 'react';
import type { CatalogueProgress } from './syncCatalogue';

let progress: CatalogueProgress | null = null;
const listeners = new Set<() => void>();

/** @param next null when nothing is being loaded */
export function setProgress(next: CatalogueProgress | null): void {
  progress = next;
  for (const listener of listeners) listener();
}

export function useCatalogueProgress(): CatalogueProgress | null {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => progress,
  );
}
