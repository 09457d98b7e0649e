/**
 * What this device and this page know of the catalogue, taken away when nobody is signed in any more. Apart from the stores, so that
 * signing out needs none of their code.
 */
import { clear, createStore } from 'idb-keyval';

export const CATALOGUE_DATABASES = ['low-quarry-catalogue', 'low-quarry-rankings'] as const;

const listeners = new Set<() => void>();

/** Whoever keeps any of it in memory lets go of it then. */
export function onCatalogueForgotten(letGo: () => void): void {
  listeners.add(letGo);
}

/** Leaves this page nothing; the next person of the same shop may find it on the device. */
export function forgetKnownCatalogue(): void {
  for (const letGo of listeners) letGo();
}

/** Leaves nothing to read on the device. */
export async function forgetCatalogue(): Promise<void> {
  await Promise.all(CATALOGUE_DATABASES.map((name) => clear(createStore(name, 'kept')))).catch(() => {
    // What was not kept is not there.
  });
}
