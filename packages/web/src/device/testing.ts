/** A device for tests: as IndexedDB does it, one change at a time, whichever tab asks; and it may be full. */
import type { DeviceStore } from './DeviceStore';

export type TestDevice = DeviceStore & { isFull: boolean; readonly values: Map<string, unknown> };

export function createTestDevice(): TestDevice {
  const values = new Map<string, unknown>();
  let last: Promise<unknown> = Promise.resolve();
  const inTurn = <Answer>(work: () => Answer): Promise<Answer> => {
    const next = last.then(async () => {
      await new Promise((resolve) => setTimeout(resolve, 0));
      return work();
    });
    last = next.catch(() => {});
    return next;
  };
  const device: TestDevice = {
    values,
    isFull: false,
    get: (key) => inTurn(() => structuredClone(values.get(key))),
    set: (key, value) => inTurn(() => put(key, value)),
    remove: (key) => inTurn(() => void values.delete(key)),
    update: (key, change) =>
      inTurn(() => {
        const made = change(structuredClone(values.get(key)));
        if (made === null) values.delete(key);
        else put(key, made);
        return made;
      }),
    list: (prefix) => inTurn(() => [...values].filter(([key]) => key.startsWith(prefix))),
    keys: (prefix) => inTurn(() => [...values.keys()].filter((key) => key.startsWith(prefix))),
  };
  const put = (key: string, value: unknown) => {
    if (device.isFull) throw new DOMException('no room', 'QuotaExceededError');
    values.set(key, structuredClone(value));
  };
  return device;
}

/** Several tabs of one browser that hear of each other. */
export function createTestTabs() {
  const listeners = new Set<(key: string) => void>();
  return (onChange: (key: string) => void) => {
    listeners.add(onChange);
    return {
      tell: (key: string) => {
        for (const each of listeners) if (each !== onChange) each(key);
      },
      stop: () => void listeners.delete(onChange),
    };
  };
}

/** A browser's local storage, for what earlier programs kept there. */
export function installLocalStorage(): Map<string, string> {
  const values = new Map<string, string>();
  const storage = {
    getItem: (key: string) => values.get(key) ?? null,
    setItem: (key: string, value: string) => void values.set(key, value),
    removeItem: (key: string) => void values.delete(key),
  };
  // `Object.keys` of a storage lists what is in it.
  const localStorage = new Proxy(storage, {
    ownKeys: () => [...values.keys()],
    getOwnPropertyDescriptor: (_, key) => ({ value: values.get(String(key)), enumerable: true, configurable: true }),
  });
  Object.defineProperty(globalThis, 'localStorage', { value: localStorage, configurable: true });
  return values;
}
