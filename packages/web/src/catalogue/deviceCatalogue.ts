/** The catalogue on this device, and rankings that were worked out with it. */
import { clear, createStore, getMany, setMany } from 'idb-keyval';
import { BUILD } from '../build';
import { type CatalogueKeeping, CatalogueStore } from './CatalogueStore';
import { RankingStore } from './RankingStore';

function keepingIn(database: string): CatalogueKeeping {
  let store: ReturnType<typeof createStore> | null = null;
  const opened = () => {
    store ??= createStore(database, 'kept');
    return store;
  };
  return {
    getMany: (keys) => getMany([...keys], opened()),
    setMany: (entries) =>
      setMany(
        entries.map(([key, value]) => [key, value]),
        opened(),
      ),
    clear: () => clear(opened()),
  };
}

export const catalogueStore = new CatalogueStore(keepingIn('low-quarry-catalogue'), BUILD);
export const rankingStore = new RankingStore(keepingIn('low-quarry-rankings'), BUILD);

/** Nobody is signed in any more: nothing is left to read. */
export async function forgetCatalogue(): Promise<void> {
  await Promise.all([catalogueStore.forget(), rankingStore.forget()]).catch(() => {
    // What was not kept is not there.
  });
}
