/** Whether the server answered last time. Every call reports; the banner and the retries read. */
type Listener = () => void;

const listeners = new Set<Listener>();
let away = false;

export function isAway(): boolean {
  return away;
}

export function subscribeToConnection(listener: Listener): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function reportAway(): void {
  set(true);
}

export function reportAnswered(): void {
  set(false);
}

function set(next: boolean): void {
  if (next === away) return;
  away = next;
  for (const listener of listeners) listener();
}
