/**
 * What is kept on this device: values under keys, in IndexedDB. A change is read, made and written in one transaction, which
 * IndexedDB lets only one tab have at a time, on plain http too; and it is told to have been kept only when it is on the disk.
 */
import { get, type UseStore } from 'idb-keyval';

export type DeviceStore = {
  readonly get: (key: string) => Promise<unknown>;
  /** @throws when the device keeps nothing, or has no room: then everything is as it was */
  readonly set: (key: string, value: unknown) => Promise<void>;
  readonly remove: (key: string) => Promise<void>;
  /**
   * @param change null for nothing to be kept
   * @returns what is kept now
   */
  readonly update: <Value>(key: string, change: (before: unknown) => Value) => Promise<Value>;
  readonly list: (prefix: string) => Promise<readonly (readonly [string, unknown])[]>;
  /** The keys alone: values may be large. */
  readonly keys: (prefix: string) => Promise<readonly string[]>;
};

const DATABASE = 'low-quarry-device';
const STORE = 'kept';

export const deviceStore: DeviceStore = {
  get: (key) => get(key, inStrictStore),
  set: (key, value) => write((store) => store.put(value, key)),
  remove: (key) => write((store) => store.delete(key)),
  update: (key, change) =>
    inStrictStore(
      'readwrite',
      (store) =>
        new Promise((resolve, reject) => {
          const { transaction } = store;
          transaction.onabort = () => reject(transaction.error ?? new Error('the device keeps nothing'));
          const reading = store.get(key);
          reading.onsuccess = () => {
            try {
              const made = change(reading.result);
              if (made === null) store.delete(key);
              else store.put(made, key);
              transaction.oncomplete = () => resolve(made);
              transaction.commit();
            } catch (error) {
              reject(error);
            }
          };
        }),
    ),
  list: (prefix) =>
    inStrictStore('readonly', async (store) => {
      const [keys, values] = await Promise.all([
        answerTo(store.getAllKeys(beginningWith(prefix))),
        answerTo(store.getAll(beginningWith(prefix))),
      ]);
      return keys.map((key, at) => [String(key), values[at]] as const);
    }),
  keys: (prefix) =>
    inStrictStore('readonly', async (store) => (await answerTo(store.getAllKeys(beginningWith(prefix)))).map(String)),
};

/** Asks the browser not to clear it away when the device runs out of room; over plain http it cannot be asked. */
export async function askToKeep(): Promise<void> {
  await globalThis.navigator?.storage?.persist?.().catch(() => false);
}

let opening: Promise<IDBDatabase> | null = null;

/** As the library's own, but written through to the disk: a battery that is pulled finds what was said to be kept. */
const inStrictStore: UseStore = async (mode, work) => {
  opening ??= open().catch((error: unknown) => {
    opening = null;
    throw error;
  });
  const transaction = (await opening).transaction(STORE, mode, { durability: 'strict' });
  return work(transaction.objectStore(STORE));
};

/** Up to the last character that a key can go on with. */
function beginningWith(prefix: string): IDBKeyRange {
  return IDBKeyRange.bound(prefix, `${prefix}\uffff`);
}

function answerTo<Answer>(request: IDBRequest<Answer>): Promise<Answer> {
  return new Promise((resolve, reject) => {
    request.onsuccess = () => resolve(request.result);
    request.onerror = () => reject(request.error ?? new Error('the device could not be read'));
  });
}

/** Committed at once, not when the page comes to it: one that is being closed would take it back. */
function write(make: (store: IDBObjectStore) => void): Promise<void> {
  return inStrictStore(
    'readwrite',
    (store) =>
      new Promise((resolve, reject) => {
        const { transaction } = store;
        transaction.oncomplete = () => resolve();
        transaction.onabort = () => reject(transaction.error ?? new Error('the device keeps nothing'));
        make(store);
        transaction.commit();
      }),
  );
}

function open(): Promise<IDBDatabase> {
  return new Promise((resolve, reject) => {
    const request = indexedDB.open(DATABASE, 1);
    request.onupgradeneeded = () => request.result.createObjectStore(STORE);
    request.onerror = () => reject(request.error ?? new Error('the device keeps nothing'));
    request.onsuccess = () => {
      // A newer page may need another form of the database: this one lets go of it, and opens it again when it is asked.
      request.result.onversionchange = () => {
        request.result.close();
        opening = null;
      };
      request.result.onclose = () => {
        opening = null;
      };
      resolve(request.result);
    };
  });
}
