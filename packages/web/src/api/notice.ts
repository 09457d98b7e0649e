/** What somebody at this page must have read before it goes away, such as that another person is signed in now. */
let said: string | null = null;
const listeners = new Set<() => void>();

export function currentNotice(): string | null {
  return said;
}

export function subscribeToNotice(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** @param words null when they were read */
export function setNotice(words: string | null): void {
  said = words;
  for (const listener of listeners) listener();
}
