/** Tells the gate that the server no longer knows who is signed in here. Every call reports; the gate listens. */
const listeners = new Set<() => void>();

export function subscribeToSignedOut(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function reportSignedOut(): void {
  for (const listener of listeners) listener();
}
