/** Whether the server answered last time. Every call reports; the banner and the retries read. */
type Listener = () => void;

const listeners = new Set<Listener>();
let away = false;
let why: string | null = null;

/** What the server itself says of why it cannot, such as a full disk; null where nothing answers. */
export function whyAway(): string | null {
  return why;
}

export function isAway(): boolean {
  return away;
}

export function subscribeToConnection(listener: Listener): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function reportAway(because: string | null = null): void {
  set(true, because);
}

export function reportAnswered(): void {
  set(false, null);
}

function set(next: boolean, because: string | null): void {
  if (next === away && because === why) return;
  away = next;
  why = because;
  for (const listener of listeners) listener();
}
