/**
 * What a person did or typed and this device did not keep: it is in this page only, and gone with it. Whoever keeps something
 * reports here; the banner above every screen says it in red and hands it out as a file.
 */
export type NotKept = { readonly key: string; readonly label: string; readonly value: unknown };

let list: readonly NotKept[] = [];
const listeners = new Set<() => void>();

/** The same array until something changes. */
export function listNotKept(): readonly NotKept[] {
  return list;
}

export function subscribeToNotKept(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function reportNotKept(each: NotKept): void {
  tell([...list.filter(({ key }) => key !== each.key), each]);
}

/** It is kept after all, or nobody needs it any more. */
export function reportKept(key: string): void {
  if (list.some((each) => each.key === key)) tell(list.filter((each) => each.key !== key));
}

/** The person has gone, and what was in this page went with them. */
export function forgetNotKept(): void {
  tell([]);
}

function tell(next: readonly NotKept[]): void {
  list = next;
  for (const listener of listeners) listener();
}
