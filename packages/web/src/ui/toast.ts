/** What is said in passing, of something that is done: whoever misses it misses nothing, the history holds it. */
export type Toast = {
  readonly id: number;
  readonly words: string;
  /** Whether it was the person's own last action, which can be taken back from here. */
  readonly canUndo: boolean;
};

let shown: readonly Toast[] = [];
let last = 0;
const listeners = new Set<() => void>();

function show(next: readonly Toast[]): void {
  shown = next;
  for (const listener of listeners) listener();
}

export function currentToasts(): readonly Toast[] {
  return shown;
}

export function subscribeToToasts(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** One at a time: what was said before is over. */
export function toast(words: string, { canUndo = false }: { readonly canUndo?: boolean } = {}): void {
  last += 1;
  show([{ id: last, words, canUndo }]);
}

/** They were said to somebody who has left. */
export function forgetToasts(): void {
  show([]);
}

export function dropToast(id: number): void {
  show(shown.filter((each) => each.id !== id));
}
