/** Sees to it that the night's work is asked for once a night, and that work that was cut off goes on. */
import type { Work } from '@low-quarry/core/contracts/work';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import type { WorkQueue } from '../../work/WorkQueue';
import { SettingsStore } from '../settings/SettingsStore';
import type { BackupService } from './BackupService';
import { isNightWorkDue } from './isNightWorkDue';

const LOOK_MS = 5 * 60_000;
/** Work that failed after all its tries is asked for again after this. */
const AGAIN_MS = 3_600_000;

export type NightWatchDeps = {
  readonly db: DataSource;
  readonly backups: BackupService;
  readonly work: WorkQueue;
  readonly log: Logger;
  readonly now: () => Date;
};

export class NightWatch {
  private timer: NodeJS.Timeout | null = null;

  constructor(private readonly deps: NightWatchDeps) {}

  start(): void {
    const look = () =>
      this.look().catch((error: unknown) => this.deps.log.error({ err: error }, 'the night’s work was not asked for'));
    this.timer = setInterval(look, LOOK_MS);
    this.timer.unref();
    void look();
  }

  stop(): void {
    if (this.timer) clearInterval(this.timer);
  }

  /** Asks for it when it is due; null where it is not. */
  async look(): Promise<Work | null> {
    const { db, work, now } = this.deps;
    await work.takeUp();
    const shop = await new SettingsStore(db.manager).find();
    if (!shop || !isNightWorkDue(now(), await this.lastNight(), shop.workingHours)) return null;
    const last = await work.last('nightly');
    const sinceAskedMs = last ? now().getTime() - Date.parse(last.askedAt) : Number.POSITIVE_INFINITY;
    // A clock that was set back must not put it off.
    if (sinceAskedMs >= 0 && sinceAskedMs < AGAIN_MS) return null;
    return work.ask('nightly', null);
  }

  /** Of a backup that is dated ahead nobody knows when it was made: the clock was wrong, or somebody gave it its name. */
  private async lastNight(): Promise<Date | null> {
    const now = this.deps.now().getTime();
    const nights = (await this.deps.backups.list())
      .filter(({ why }) => why === 'nightly')
      .map(({ madeAt }) => new Date(madeAt));
    return nights.find((madeAt) => madeAt.getTime() <= now) ?? null;
  }
}
