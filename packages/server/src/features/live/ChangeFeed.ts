/**
 * Hears from PostgreSQL of every change that is there for good, on a connection of its own, and tells whoever listens.
 * When the connection is lost it is made again; what happened meanwhile is not told, so listeners are sent away: they come
 * back by themselves and ask for everything anew.
 */
import type { LiveChange } from '@low-quarry/core/contracts/live';
import { changeHeadline } from '@low-quarry/core/records/changeSentences';
import pg from 'pg';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { HistoryStore } from '../history/HistoryStore';

type Listener = { readonly tell: (change: LiveChange) => void; readonly end: () => void };

const CHANNEL = 'lq_change';
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
    const client = new pg.Client({ connectionString: this.url });
    this.client = client;
    client.on('error', () => this.lost(client));
    client.on('end', () => this.lost(client));
    client.on('notification', ({ payload }) => void this.tell(Number(payload)));
    try {
      await client.connect();
      await client.query(`LISTEN ${CHANNEL}`);
    } catch {
      this.lost(client);
    }
  }

  async stop(): Promise<void> {
    this.stopped = true;
    if (this.timer) clearTimeout(this.timer);
    for (const { end } of this.listeners) end();
    this.listeners.clear();
    await this.client?.end().catch(() => {});
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
      const { personId, personName, deviceName, kind, recordId, jobId } = change;
      const told = { id, personId, personName, deviceName, kind, recordId, jobId, headline: changeHeadline(change) };
      for (const { tell } of this.listeners) tell(told);
    } catch (error) {
      this.log.warn({ err: error }, 'a change could not be told');
    }
  }

  private lost(client: pg.Client): void {
    if (this.stopped || this.client !== client) return;
    this.client = null;
    client.end().catch(() => {});
    for (const { end } of this.listeners) end();
    this.listeners.clear();
    this.timer = setTimeout(() => void this.start(), AGAIN_MS);
  }
}
