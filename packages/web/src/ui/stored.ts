/** Small things kept on this device. A browser that keeps nothing (private window, full disk) works on without. */
const PREFIX = 'low-quarry.';

export function readStored(key: string): string | null {
  try {
    return localStorage.getItem(PREFIX + key);
  } catch {
    return null;
  }
}

/** Tells whether it was kept. */
export function writeStored(key: string, value: string | null): boolean {
  try {
    if (value === null) localStorage.removeItem(PREFIX + key);
    else localStorage.setItem(PREFIX + key, value);
    return true;
  } catch {
    return false;
  }
}

/** Told when another tab changes what is kept under a key. */
export function subscribeToStored(key: string, listener: () => void): () => void {
  const onStorage = (event: StorageEvent) => {
    if (event.key === null || event.key === PREFIX + key) listener();
  };
  window.addEventListener('storage', onStorage);
  return () => window.removeEventListener('storage', onStorage);
}
