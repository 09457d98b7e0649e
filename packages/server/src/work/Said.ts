/** Writes down how far a piece of work is: the last word at once where nothing was written for a moment, else after that. */
import type { Logger } from 'pino';

/** Faster, nobody reads it. */
const PAUSE_MS = 250;

export class Said {
  private next: readonly [string, number | null] | null = null;
  private writing: Promise<void> | null = null;
  private pause: NodeJS.Timeout | null = null;

  constructor(
    private readonly write: (step: string, share: number | null) => Promise<void>,
    private readonly log: Logger,
  ) {}

  readonly say = (step: string, share: number | null): void => {
    this.next = [step, share];
    if (!this.pause) this.flush();
  };

  /** Nothing is written after this. */
  async over(): Promise<void> {
    if (this.pause) clearTimeout(this.pause);
    this.next = null;
    await this.writing;
  }

  private flush(): void {
    const { next } = this;
    this.pause = null;
    if (!next) return;
    this.next = null;
    this.pause = setTimeout(() => this.flush(), PAUSE_MS);
    const written = (this.writing ?? Promise.resolve()).then(() => this.write(...next));
    this.writing = written.catch((error: unknown) => this.log.warn({ err: error }, 'how far work is was not written'));
  }
}
