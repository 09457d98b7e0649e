/**
 * What the server does by itself once a day, while the shop is closed: a backup with its rotation, what has been in the bin
 * for too long, sessions and answers that nobody needs any more.
 */
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { History, programAuthor } from '../history/History';
import { createJobsService } from '../jobs/jobsRoutes';
import { SESSION_LIMITS } from '../sessions/SessionsService';
import { SessionsStore } from '../sessions/SessionsStore';
import { ShopStore } from '../shop/ShopStore';
import type { BackupService } from './BackupService';
import { isNightWorkDue } from './isNightWorkDue';

const LOOK_MS = 5 * 60_000;
const DAY_MS = 86_400_000;
/** How long a lost answer can still be asked for again. */
const ANSWER_DAYS = 30;

export class NightWork {
  private timer: NodeJS.Timeout | null = null;

  constructor(
    private readonly db: DataSource,
    private readonly backups: BackupService,
    private readonly log: Logger,
    private readonly now: () => Date,
    private readonly newId: () => string,
  ) {}

  start(): void {
    const look = () => this.look().catch((error: unknown) => this.log.error({ err: error }, 'the night work failed'));
    this.timer = setInterval(look, LOOK_MS);
    this.timer.unref();
    void look();
  }

  stop(): void {
    if (this.timer) clearInterval(this.timer);
  }

  /** Does it when it is due; tells whether it did. */
  async look(): Promise<boolean> {
    const shop = await new ShopStore(this.db.manager).find();
    if (!shop) return false;
    const [last] = (await this.backups.list()).filter(({ why }) => why === 'nightly');
    if (!isNightWorkDue(this.now(), last ? new Date(last.madeAt) : null, shop.workingHours)) return false;
    await this.backups.nightly();
    await this.db.transaction((manager) =>
      createJobsService(manager).purgeBin(new History(manager, programAuthor('The bin'), this.now(), this.newId())),
    );
    const at = this.now().getTime();
    const sessions = new SessionsStore(this.db.manager);
    await sessions.prune(new Date(at - SESSION_LIMITS.idleMs), new Date(at - SESSION_LIMITS.absoluteMs));
    await this.db.query(`DELETE FROM "done_once" WHERE "at" < $1`, [new Date(at - ANSWER_DAYS * DAY_MS)]);
    return true;
  }
}
