/**
 * Which program the shop serves. A page that is open while a newer one is started goes on with its own until the next step, and is loaded
 * anew then: what is typed is on the device.
 */
import { PROGRAM_HEADER } from '@low-quarry/core/contracts/contract';

let first: string | null = null;
let isNewer = false;
const listeners = new Set<() => void>();

export function notePrograms({ headers }: Pick<Response, 'headers'>): void {
  const program = headers.get(PROGRAM_HEADER);
  if (program === null) return;
  first ??= program;
  if (program === first || isNewer) return;
  isNewer = true;
  for (const listener of listeners) listener();
}

/** Whether another program than this page's is served. */
export function isProgramNewer(): boolean {
  return isNewer;
}

export function subscribeToProgram(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Loads the page anew where the shop serves other scripts than this page's; otherwise, and without a network, it stays. */
export async function reloadIfNewer(): Promise<void> {
  const page = await fetch('/', { cache: 'no-store' })
    .then((response) => (response.ok ? response.text() : null))
    .catch(() => null);
  if (page === null) return;
  const own = [...document.scripts].flatMap(({ src }) => (src ? [new URL(src).pathname] : []));
  if (own.some((path) => !page.includes(path))) window.location.reload();
}
