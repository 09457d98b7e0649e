/** The catalogue on this device, and rankings that were worked out with it. */
import { clear, createStore, getMany, setMany } from 'idb-keyval';
import { BUILD } from '../build';
import { CATALOGUE_DATABASES } from './forgetCatalogue';
import { type CatalogueKeeping, KeptCatalogue } from './KeptCatalogue';
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

export const catalogueKeeping = keepingIn(CATALOGUE_DATABASES[0]);
export const keptCatalogue = new KeptCatalogue(catalogueKeeping, BUILD);
export const rankingStore = new RankingStore(keepingIn(CATALOGUE_DATABASES[1]), BUILD);
