/** What was worked out of openings and is still so: by a key that names everything it follows from. The longest unused goes first. */
import type { JobInList } from '@low-quarry/core/contracts/jobs';

export type ListedOpening = JobInList['openings'][number];

/** Of about three kilobytes each. */
const MOST = 4000;

export class StateCache {
  private readonly known = new Map<string, ListedOpening>();

  get(key: string): ListedOpening | undefined {
    const found = this.known.get(key);
    if (found) {
      this.known.delete(key);
      this.known.set(key, found);
    }
    return found;
  }

  set(key: string, opening: ListedOpening): void {
    this.known.set(key, opening);
    if (this.known.size <= MOST) return;
    const [oldest] = this.known.keys();
    if (oldest !== undefined) this.known.delete(oldest);
  }
}
