/**
 * Hears from PostgreSQL of every change that is there for good, on a connection of its own, and tells whoever listens.
 * When the connection is lost it is made again; what happened meanwhile is not told, so listeners are sent away: they come
 * back by themselves and ask for everything anew. The end of a session is heard on the same connection, in order: nothing that
 * happened after it is told to it.
 */
import type { LiveChange } from '@low-quarry/core/contracts/live';
import type { Role } from '@low-quarry/core/model';
import { changeHeadline } from '@low-quarry/core/records';
import pg from 'pg';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { HistoryStore } from '../history/HistoryStore';
import { maySee } from '../history/maySee';
import { JobsStore } from '../jobs/JobsStore';

export type Listener = {
  readonly sessionId: string;
  readonly personId: string;
  readonly roles: readonly Role[];
  readonly tell: (change: LiveChange) => void;
  readonly end: () => void;
};

const CHANGES = 'lq_change';
const SESSIONS_OVER = 'lq_session_over';
const AGAIN_MS = 1000;

export class ChangeFeed {
  private readonly listeners = new Set<Listener>();
  private client: pg.Client | null = null;
  private timer: NodeJS.Timeout | null = null;
  private stopped = false;

  constructor(
    private readonly db: DataSource,
    private readonly url: string,
    private readonly log: Logger,
  ) {}

  async start(): Promise<void> {
    this.stopped = false;
    const client = new pg.Client({ connectionString: this.url });
    this.client = client;
    client.on('error', () => this.lost(client));
    client.on('end', () => this.lost(client));
    client.on('notification', ({ channel, payload }) => {
      if (channel === SESSIONS_OVER) this.endAllOf(({ sessionId }) => sessionId === payload);
      else void this.tell(Number(payload));
    });
    try {
      await client.connect();
      await client.query(`LISTEN ${SESSIONS_OVER}`);
      await client.query(`LISTEN ${CHANGES}`);
    } catch {
      this.lost(client);
    }
  }

  async stop(): Promise<void> {
    this.stopped = true;
    if (this.timer) clearTimeout(this.timer);
    this.endAllOf(() => true);
    const { client } = this;
    this.client = null;
    await client?.end().catch(() => {});
  }

  /** @returns stops listening */
  listen(listener: Listener): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  private async tell(id: number): Promise<void> {
    if (this.listeners.size === 0) return;
    try {
      const change = await new HistoryStore(this.db.manager).find(id);
      if (!change) return;
      // What somebody may see is what they may do: with other roles their pages come back as somebody else.
      if (change.kind === 'person') this.endAllOf(({ personId }) => personId === change.recordId);
      const { personId, personName, deviceName, kind, recordId, jobId } = change;
      const car = jobId === null ? null : ((await new JobsStore(this.db.manager).titles([jobId]))[jobId] ?? null);
      const headline = changeHeadline(change);
      const isGone = change.after === null;
      const told = { id, personId, personName, deviceName, kind, recordId, jobId, isGone, headline, car };
      for (const { roles, tell } of this.listeners) if (maySee(kind, roles)) tell(told);
    } catch (error) {
      this.log.warn({ err: error }, 'a change could not be told');
    }
  }

  private endAllOf(isMeant: (listener: Listener) => boolean): void {
    for (const listener of [...this.listeners].filter(isMeant)) {
      this.listeners.delete(listener);
      listener.end();
    }
  }

  private lost(client: pg.Client): void {
    if (this.stopped || this.client !== client) return;
    this.client = null;
    client.end().catch(() => {});
    this.endAllOf(() => true);
    this.timer = setTimeout(() => void this.start(), AGAIN_MS);
  }
}
