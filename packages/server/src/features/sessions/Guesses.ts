/**
 * Counts guesses at passwords and PINs, in the database, so that neither a restart nor a second server forgets them. Each try
 * is counted before it is looked at: twenty at the same moment are twenty. After a few wrong ones the next has to wait, longer
 * each time; nobody is shut out for good, and a device at which somebody of the shop has signed in is counted by itself, so that
 * a stranger's guessing does not keep the shop out.
 */
import type { DataSource } from 'typeorm';
import { AppError } from '../../http/AppError';

type Limit = {
  /** So many wrong ones cost nothing. */
  readonly free: number;
  /** Then the wait doubles from a second up to this, s. */
  readonly longestS: number;
};

/** From memory: what common guides ask of guessing online is at most about a hundred tries a day at one account. */
const LIMITS = {
  /** At one account, from devices that nobody of the shop knows. */
  account: { free: 4, longestS: 900 },
  /** From one address, at whatever account: a whole shop may sit behind it. */
  address: { free: 20, longestS: 10 },
  /** At one device of the shop. */
  device: { free: 8, longestS: 60 },
  /** Within one session, of the password of who is signed in. */
  session: { free: 4, longestS: 900 },
} as const satisfies Readonly<Record<string, Limit>>;

export type GuessKey = { readonly by: keyof typeof LIMITS; readonly id: string };

/** Untouched for so long, it is forgotten. */
export const GUESSES_COUNT_MS = 24 * 3_600_000;

export class Guesses {
  constructor(
    private readonly db: DataSource,
    private readonly now: () => Date,
  ) {}

  /**
   * Looks at one guess.
   *
   * @returns what `look` found, null for a wrong one
   * @throws AppError 429 when the next try is still to wait
   */
  async guarded<Found>(keys: readonly GuessKey[], look: () => Promise<Found | null>): Promise<Found | null> {
    const sorted = [...keys].sort((a, b) => (nameOf(a) < nameOf(b) ? -1 : 1));
    await this.count(sorted);
    const found = await look();
    if (found !== null) await this.forgive(sorted);
    return found;
  }

  private async count(keys: readonly GuessKey[]): Promise<void> {
    const now = this.now();
    await this.db.transaction(async (manager) => {
      for (const key of keys) {
        const name = nameOf(key);
        // In one statement: between two, somebody who came in meanwhile would take the line away.
        const [row] = await manager.query(
          `INSERT INTO "attempt" ("key", "failures", "at") VALUES ($1, 0, $2)
           ON CONFLICT ("key") DO UPDATE SET "key" = excluded."key" RETURNING "failures", "at"`,
          [name, now],
        );
        // A clock that was set back must not make anybody wait for it to catch up.
        const elapsedMs = Math.abs(now.getTime() - row.at.getTime());
        const failures = elapsedMs > GUESSES_COUNT_MS ? 0 : row.failures;
        const waitS = Math.ceil(waitAfter(failures, LIMITS[key.by]) - elapsedMs / 1000);
        if (waitS > 0) throw tooSoon(waitS);
        await manager.query('UPDATE "attempt" SET "failures" = $2, "at" = $3 WHERE "key" = $1', [
          name,
          failures + 1,
          now,
        ]);
      }
    });
  }

  /** Somebody who knows one password must not wipe out what was counted of an address by signing in between guesses. */
  private async forgive(keys: readonly GuessKey[]): Promise<void> {
    for (const key of keys) {
      await this.db.query(
        key.by === 'address'
          ? 'UPDATE "attempt" SET "failures" = greatest(0, "failures" - 1) WHERE "key" = $1'
          : 'DELETE FROM "attempt" WHERE "key" = $1',
        [nameOf(key)],
      );
    }
  }
}

/** How long to wait after so many wrong guesses, s. */
export function waitAfter(failures: number, { free, longestS }: Limit): number {
  return failures <= free ? 0 : Math.min(2 ** (failures - free - 1), longestS);
}

function nameOf({ by, id }: GuessKey): string {
  return `${by}:${id}`;
}

function tooSoon(waitS: number): AppError {
  const words = waitS < 90 ? `${waitS} ${waitS === 1 ? 'second' : 'seconds'}` : `${Math.ceil(waitS / 60)} minutes`;
  return new AppError(
    429,
    'too-many-tries',
    'Too many tries',
    `There were too many wrong tries. The next one is looked at in ${words}.`,
    { retryAfterS: waitS },
  );
}
