/** Small things kept on this device. A browser that keeps nothing (private window, full disk) works on without. */
const PREFIX = 'low-quarry.';

export function readStored(key: string): string | null {
  try {
    return localStorage.getItem(PREFIX + key);
  } catch {
    return null;
  }
}

/** The keys that begin so. */
export function storedKeys(prefix: string): readonly string[] {
  try {
    return Object.keys(localStorage)
      .filter((key) => key.startsWith(PREFIX + prefix))
      .map((key) => key.slice(PREFIX.length));
  } catch {
    return [];
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
