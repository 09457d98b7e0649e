/**
 * Holds back what changes the shop while another database takes its place. First writes: those that have begun come to their
 * end, later ones are told to come again, which every page does by itself. Then, for the moment of the change, everything.
 */
import { setTimeout as sleep } from 'node:timers/promises';
import { AppError } from './AppError';

/** A write that has begun is over by then: no statement may take longer. */
const PATIENCE_MS = 30_000;
const LOOK_MS = 10;

export class Hold {
  private state: 'open' | 'writesHeld' | 'shut' = 'open';
  private underWay = 0;

  /** Does a write, unless writes are held. */
  async during<Answer>(work: () => Promise<Answer>): Promise<Answer> {
    if (this.state !== 'open') throw held();
    this.underWay++;
    try {
      return await work();
    } finally {
      this.underWay--;
    }
  }

  /** @throws when nothing may be read at this moment either */
  requireOpen(): void {
    if (this.state === 'shut') throw held();
  }

  /** Lets nothing begin any more, and waits until what had begun is over. */
  async holdWrites(): Promise<void> {
    this.state = 'writesHeld';
    for (let waited = 0; this.underWay > 0; waited += LOOK_MS) {
      if (waited > PATIENCE_MS) throw held();
      await sleep(LOOK_MS);
    }
  }

  shut(): void {
    this.state = 'shut';
  }

  release(): void {
    this.state = 'open';
  }
}

function held(): AppError {
  return new AppError(
    503,
    'restoring',
    'The shop is being brought back',
    'The shop is being brought to another state. It takes a moment; what you do is kept and sent after it.',
  );
}
