/**
 * Lets searches through the history in one after the other: a person has one at a time, and all together never have more than the
 * connections that are set apart for them, so that no search keeps anybody from saving.
 */
import { AppError } from '../../http/AppError';

/** Of the connections for heavy work one stays free for taking the shop out as files. */
const MOST_AT_ONCE = 2;
const MOST_WAITING = 20;

export class Searches {
  private readonly searching = new Set<string>();
  private readonly waiting: (() => void)[] = [];
  private underWay = 0;

  /** @throws AppError 429 while the person's last search is not over, or too many others wait */
  async one<Found>(personId: string, search: () => Promise<Found>): Promise<Found> {
    if (this.searching.has(personId)) throw tooMany('Your last search is not over yet. Wait for it, and search again.');
    if (this.waiting.length >= MOST_WAITING) throw tooMany('Many are searching at this moment. Try again shortly.');
    this.searching.add(personId);
    try {
      if (this.underWay >= MOST_AT_ONCE) await new Promise<void>((resolve) => this.waiting.push(resolve));
      this.underWay++;
      try {
        return await search();
      } finally {
        this.underWay--;
        this.waiting.shift()?.();
      }
    } finally {
      this.searching.delete(personId);
    }
  }
}

function tooMany(detail: string): AppError {
  return new AppError(429, 'too-many', 'Too many', detail);
}
