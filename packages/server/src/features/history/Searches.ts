/**
 * Lets searches through the history in one after the other: all together never have more than the connections that are set apart
 * for them, so that no search keeps anybody from saving, and a person has one under way and one that waits. Whoever asks again
 * while one waits has thought better of that: the newer takes its place.
 */
import { AppError } from '../../http/AppError';

/** Of the connections for heavy work one stays free for taking the shop out as files. */
const MOST_AT_ONCE = 2;

type Waiting = { readonly begin: () => void; readonly giveUp: (why: AppError) => void };

export class Searches {
  private readonly underWay = new Set<string>();
  private readonly waiting = new Map<string, Waiting>();

  /** @throws AppError 429 when the person has asked for something else before this one's turn came */
  async one<Found>(personId: string, search: () => Promise<Found>): Promise<Found> {
    if (this.underWay.has(personId) || this.underWay.size >= MOST_AT_ONCE) await this.turnOf(personId);
    this.underWay.add(personId);
    try {
      return await search();
    } finally {
      this.underWay.delete(personId);
      this.next();
    }
  }

  private turnOf(personId: string): Promise<void> {
    this.waiting.get(personId)?.giveUp(overtaken());
    this.waiting.delete(personId);
    return new Promise((begin, giveUp) => this.waiting.set(personId, { begin, giveUp }));
  }

  /** The one that waits longest of those whose person has none under way. */
  private next(): void {
    for (const [personId, { begin }] of this.waiting) {
      if (this.underWay.has(personId)) continue;
      if (this.underWay.size >= MOST_AT_ONCE) return;
      this.waiting.delete(personId);
      // Taken from this moment, not from when the other side comes to it.
      this.underWay.add(personId);
      begin();
    }
  }
}

function overtaken(): AppError {
  return new AppError(
    429,
    'too-many',
    'Too many',
    'Another search of yours was asked for before this one had its turn.',
  );
}
