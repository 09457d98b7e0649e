/**
 * While somebody signs out, nothing else is asked in their name: it would be answered that nobody is signed in. The
 * calls and what listens to the shop read it here.
 */
const listeners = new Set<() => void>();
let leaving = false;

export function isLeaving(): boolean {
  return leaving;
}

export function subscribeToLeaving(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** True from the moment somebody wants out until their screens are gone, or it has failed. */
export function setLeaving(next: boolean): void {
  leaving = next;
  for (const listener of listeners) listener();
}
