/**
 * Work outside a request. pg-boss hands it out and tries it again; what people see of it is a row of ours, so that a change of the
 * library changes no screen. One server works on a shop, so whatever still counts as running when a server starts was cut off with the
 * one before: it is taken up again.
 */
import { setTimeout as sleep } from 'node:timers/promises';
import { WORK_KINDS, type Work, type WorkKind } from '@low-quarry/core/contracts/work';
import PgBoss from 'pg-boss';
import type { Logger } from 'pino';
import type { DataSource, EntityManager } from 'typeorm';
import { QUEUE_SCHEMA } from '../db/workQueue';
import { inTransaction } from '../http/inTransaction';
import { Refused, type Runner } from './Progress';
import { Said } from './Said';
import { WorkStore } from './WorkStore';

/** How often the queue is looked at for what waits for its next try; what is asked here is begun at once. */
const LOOK_MS = 2000;
/** Longer than any work of a shop: then its try counts as failed. */
const LONGEST_H = 6;
const MOST_CONNECTIONS = 2;
const CUT_OFF = 'The server ended while it was at work.';

export type Runners = Readonly<Record<WorkKind, Runner>>;
export type WorkQueueDeps = {
  readonly db: DataSource;
  readonly appUrl: string;
  readonly log: Logger;
  readonly now: () => Date;
  readonly newId: () => string;
};

/** Why work ends before its end. */
class Ended extends Error {
  constructor(readonly by: 'person' | 'server') {
    super(by === 'person' ? 'Somebody stopped it.' : CUT_OFF);
  }
}

export class WorkQueue {
  private boss: PgBoss | null = null;
  private serving: readonly Promise<void>[] = [];
  private readonly pauses = new Map<WorkKind, AbortController>();
  private readonly running = new Map<string, AbortController>();

  constructor(
    private readonly deps: WorkQueueDeps,
    private readonly runners: Runners,
  ) {}

  async start(): Promise<void> {
    const { appUrl, log } = this.deps;
    const boss = new PgBoss({
      connectionString: appUrl,
      schema: QUEUE_SCHEMA,
      max: MOST_CONNECTIONS,
      migrate: false,
      schedule: false,
      supervise: false,
    });
    boss.on('error', (error) => log.warn({ err: error }, 'the queue of work had a fault'));
    await boss.start();
    this.boss = boss;
    await this.takeUp();
    this.serving = WORK_KINDS.map((kind) => this.serve(boss, kind));
  }

  /** What runs is cut off, and taken up when a server starts again. */
  async stop(): Promise<void> {
    const { boss } = this;
    this.boss = null;
    for (const end of this.running.values()) end.abort(new Ended('server'));
    for (const kind of WORK_KINDS) this.hurry(kind);
    await Promise.all(this.serving);
    await boss?.stop({ graceful: false, wait: true });
  }

  /**
   * Asks for work of a kind; where some is open already, that is answered.
   *
   * @param about what it is of, where each is a piece of its own
   * @param first done in the transaction that asks
   */
  async ask(
    kind: WorkKind,
    askedBy: string | null,
    about: string | null = null,
    first: (manager: EntityManager) => Promise<void> = async () => {},
  ): Promise<Work> {
    const { db, now, newId } = this.deps;
    const boss = this.requireBoss();
    const id = newId();
    const asked = await inTransaction(db, async (manager) => {
      await manager.query('SELECT pg_advisory_xact_lock(hashtext($1))', [`work ${kind}`]);
      const store = new WorkStore(manager);
      const open = about === null ? await store.findOpen(kind) : null;
      if (open) return open;
      await first(manager);
      await store.add(id, { kind, about, askedBy }, now());
      await this.send(boss, kind, id, this.runners[kind].tries, manager);
      return (await store.find(id)) as Work;
    });
    this.hurry(kind);
    return asked;
  }

  list(most: number): Promise<Work[]> {
    return WorkStore.on(this.deps.db).list(most);
  }

  find(id: string): Promise<Work | null> {
    return WorkStore.on(this.deps.db).find(id);
  }

  last(kind: WorkKind): Promise<Work | null> {
    return WorkStore.on(this.deps.db).last(kind);
  }

  /** What failed or was stopped, once more: as a new piece of the same. */
  async again({ id, kind }: Work, askedBy: string | null): Promise<Work> {
    return this.ask(kind, askedBy, await WorkStore.on(this.deps.db).aboutOf(id));
  }

  /** Pieces of work by what they are about. */
  findAbout(ids: readonly string[]): Promise<ReadonlyMap<string, Work>> {
    return WorkStore.on(this.deps.db).findAbout(ids);
  }

  /** Ends what waits at once, and what runs at its next step. */
  async end({ id, kind, state }: Work): Promise<void> {
    const store = WorkStore.on(this.deps.db);
    if (state === 'waiting') {
      await this.requireBoss().cancel(kind, id);
      await store.end(id, 'stopped', null, this.deps.now());
    }
    if (state !== 'running') return;
    await store.askToStop(id);
    this.running.get(id)?.abort(new Ended('person'));
  }

  /**
   * What counts as running and is not at work here was cut off: its server ended, or its database was away when it ended. It is begun
   * again at once, unless that was tried often enough. What waits and is in the queue no more (pg-boss throws away what is two weeks old) is put
   * there again.
   */
  async takeUp(): Promise<void> {
    const { db, log, now } = this.deps;
    const boss = this.requireBoss();
    await boss.maintain();
    for (const { id, kind, state, tries, is_stopping } of await WorkStore.on(db).listOpen()) {
      if (this.running.has(id) || (state === 'waiting' && (await isQueued(boss, kind, id)))) continue;
      const left = this.runners[kind].tries - tries;
      log.warn({ kind, id, left }, 'work was cut off');
      await inTransaction(db, async (manager) => {
        const store = new WorkStore(manager);
        await boss.deleteJob(kind, id, { db: through(manager) });
        if (is_stopping) return store.end(id, 'stopped', null, now());
        if (left <= 0) return store.end(id, 'failed', CUT_OFF, now());
        await this.send(boss, kind, id, left, manager);
        if (state === 'running') await store.wait(id, CUT_OFF, now());
      });
      this.hurry(kind);
    }
  }

  /** One piece of a kind after the other, until the queue is stopped. */
  private async serve(boss: PgBoss, kind: WorkKind): Promise<void> {
    while (this.boss === boss) {
      try {
        const [job] = await boss.fetch(kind);
        if (!job) await this.pause(kind);
        else if (await this.work(kind, job.id)) await boss.complete(kind, job.id);
      } catch (error) {
        this.deps.log.warn({ err: error, kind }, 'the queue of work could not be read or written');
        await this.pause(kind);
      }
    }
  }

  private async pause(kind: WorkKind): Promise<void> {
    if (!this.boss) return;
    const pause = new AbortController();
    this.pauses.set(kind, pause);
    await sleep(LOOK_MS, undefined, { signal: pause.signal, ref: false }).catch(() => {});
  }

  /** @returns whether there is nothing left to do of it */
  private async work(kind: WorkKind, id: string): Promise<boolean> {
    const store = WorkStore.on(this.deps.db);
    if (!(await store.begin(id, this.deps.now()))) return true;
    const end = new AbortController();
    this.running.set(id, end);
    if (!this.boss) end.abort(new Ended('server'));
    try {
      return await this.run(kind, id, end.signal, store);
    } finally {
      this.running.delete(id);
    }
  }

  private async run(kind: WorkKind, id: string, signal: AbortSignal, store: WorkStore): Promise<boolean> {
    const { log, now } = this.deps;
    const about = await store.aboutOf(id);
    const said = new Said((step, share) => store.say(id, step, share), log);
    try {
      signal.throwIfAborted();
      const result = await this.runners[kind].run({ say: said.say, signal }, about);
      await said.over();
      await store.end(id, 'done', result, now());
      return true;
    } catch (error) {
      await said.over();
      const by = signal.reason instanceof Ended ? signal.reason.by : null;
      if (by === 'person') await store.end(id, 'stopped', null, now());
      else if (error instanceof Refused) await store.end(id, 'failed', error.message, now());
      else if (by === null) await this.fail(kind, id, error, store);
      // What the server cut off is left as running: whoever starts next takes it up.
      return by === 'person' || error instanceof Refused;
    }
  }

  private async fail(kind: WorkKind, id: string, error: unknown, store: WorkStore): Promise<void> {
    const { log, now } = this.deps;
    log.error({ err: error, kind, id }, 'work failed');
    const boss = this.requireBoss();
    const fault = error instanceof Error ? error.message : String(error);
    await boss.fail(kind, id, { message: fault });
    // pg-boss knows whether it is tried again, and when.
    const job = await boss.getJobById(kind, id);
    if (job?.state === 'retry') await store.wait(id, fault, job.startAfter);
    else await store.end(id, 'failed', fault, now());
  }

  private async send(boss: PgBoss, kind: WorkKind, id: string, tries: number, manager: EntityManager): Promise<void> {
    const retry = { retryLimit: tries - 1, retryDelay: this.runners[kind].againAfterS, retryBackoff: true };
    await boss.send(kind, {}, { id, ...retry, expireInHours: LONGEST_H, db: through(manager) });
  }

  private hurry(kind: WorkKind): void {
    this.pauses.get(kind)?.abort();
  }

  private requireBoss(): PgBoss {
    if (!this.boss) throw new Error('WorkQueue: expected to be started, got asked before or after');
    return this.boss;
  }
}

async function isQueued(boss: PgBoss, kind: WorkKind, id: string): Promise<boolean> {
  const job = await boss.getJobById(kind, id);
  return job !== null && ['created', 'retry', 'active'].includes(job.state);
}

/** Lets pg-boss write in a transaction of ours. */
function through(manager: EntityManager): PgBoss.Db {
  return { executeSql: async (text, values) => ({ rows: await manager.query(text, values) }) };
}
