/** Whose screens this page shows: named with every request, so that nothing is done in another's name. */
import type { Role } from '@low-quarry/core/model';

type PageOwner = { readonly id: string; readonly roles: readonly Role[] };

let owner: PageOwner | null = null;

export function pageOwner(): PageOwner | null {
  return owner;
}

/** Set by the gate before any screen behind it asks for anything. */
export function setPageOwner(next: PageOwner | null): void {
  owner = next;
}
