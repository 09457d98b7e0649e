/**
 * What the server does by itself once a day, while the shop is closed: a backup with its rotation, what has been in the bin
 * for too long, sessions and answers that nobody needs any more.
 */
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import type { Hold } from '../../http/Hold';
import { inTransaction } from '../../http/inTransaction';
import { History, programAuthor } from '../history/History';
import { createJobsService } from '../jobs/jobsRoutes';
import { GUESSES_COUNT_MS } from '../sessions/Guesses';
import { SESSION_LIMITS } from '../sessions/SessionsService';
import { SessionsStore } from '../sessions/SessionsStore';
import { ShopStore } from '../shop/ShopStore';
import type { BackupService } from './BackupService';
import { isNightWorkDue } from './isNightWorkDue';

const LOOK_MS = 5 * 60_000;
const DAY_MS = 86_400_000;
/** How long a lost answer can still be asked for again. */
const ANSWER_DAYS = 30;

export type NightWorkDeps = {
  readonly db: DataSource;
  readonly hold: Hold;
  readonly backups: BackupService;
  readonly log: Logger;
  readonly now: () => Date;
  readonly newId: () => string;
};

export class NightWork {
  private timer: NodeJS.Timeout | null = null;

  constructor(private readonly deps: NightWorkDeps) {}

  start(): void {
    const look = () =>
      this.look().catch((error: unknown) => this.deps.log.error({ err: error }, 'the night work failed'));
    this.timer = setInterval(look, LOOK_MS);
    this.timer.unref();
    void look();
  }

  stop(): void {
    if (this.timer) clearInterval(this.timer);
  }

  /** Does it when it is due; tells whether it did. */
  async look(): Promise<boolean> {
    const { db, backups, hold, now } = this.deps;
    const shop = await new ShopStore(db.manager).find();
    if (!shop) return false;
    if (!isNightWorkDue(now(), await this.lastNight(), shop.workingHours)) return false;
    // Whatever becomes of the backup, what is over goes; its fault is told after that.
    const backup = await backups.nightly().then(
      () => null,
      (error: unknown) => ({ error }),
    );
    await hold.during(() => this.tidy());
    if (backup) throw backup.error;
    return true;
  }

  /** Of a backup that is dated ahead nobody knows when it was made: the clock was wrong, or somebody gave it its name. */
  private async lastNight(): Promise<Date | null> {
    const now = this.deps.now().getTime();
    const nights = (await this.deps.backups.list())
      .filter(({ why }) => why === 'nightly')
      .map(({ madeAt }) => new Date(madeAt));
    return nights.find((madeAt) => madeAt.getTime() <= now) ?? null;
  }

  private async tidy(): Promise<void> {
    const { db, now, newId } = this.deps;
    await inTransaction(db, (manager) =>
      createJobsService(manager).purgeBin(new History(manager, programAuthor('The bin'), now(), newId())),
    );
    const at = now().getTime();
    const sessions = new SessionsStore(db.manager);
    await sessions.prune(new Date(at - SESSION_LIMITS.idleMs), new Date(at - SESSION_LIMITS.absoluteMs));
    await db.query(`DELETE FROM "done_once" WHERE "at" < $1`, [new Date(at - ANSWER_DAYS * DAY_MS)]);
    await db.query(`DELETE FROM "attempt" WHERE "at" < $1`, [new Date(at - GUESSES_COUNT_MS)]);
  }
}
