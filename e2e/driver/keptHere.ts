/** Everything that lies on the device of a page: the names, and what stands under them, as text. */
import type { Page } from '@playwright/test';

export function keptHere(page: Page): Promise<string> {
  return page.evaluate(async () => {
    const answered = <Answer>(request: IDBRequest<Answer>) =>
      new Promise<Answer>((resolve, reject) => {
        request.onsuccess = () => resolve(request.result);
        request.onerror = () => reject(request.error);
      });
    const texts: string[] = [JSON.stringify(localStorage)];
    for (const { name } of await indexedDB.databases()) {
      const database = await answered(indexedDB.open(name ?? ''));
      for (const storeName of database.objectStoreNames) {
        const store = database.transaction(storeName).objectStore(storeName);
        const [keys, values] = await Promise.all([answered(store.getAllKeys()), answered(store.getAll())]);
        texts.push(...keys.map((key, at) => `${String(key)} ${JSON.stringify(values[at])}`));
      }
      database.close();
    }
    return texts.join('\n');
  });
}
