/**
 * Sees to it that one server works on a shop. Two would each hold back only their own writes while another database takes the shop's
 * place, and what the second acknowledged meanwhile would be lost. The lock is a session's: whatever becomes of the server, PostgreSQL
 * lets go of it.
 */
import { setTimeout as sleep } from 'node:timers/promises';
import pg from 'pg';
import type { Logger } from 'pino';

const LOCK = 4784;
/** One that was killed a moment ago may still have it. */
const PATIENCE_MS = 15_000;
const AGAIN_MS = 250;

export class OnlyServer {
  private client: pg.Client | null = null;
  private stopped = true;

  /** @param url of the shop's database */
  constructor(
    private readonly url: string,
    private readonly log: Logger,
  ) {}

  /** @throws when another server has it and does not let go */
  async start(): Promise<void> {
    this.stopped = false;
    this.client = await take(this.url);
    this.client.once('end', () => void this.takeAgain());
  }

  async stop(): Promise<void> {
    this.stopped = true;
    const { client } = this;
    this.client = null;
    await client?.end().catch(() => {});
  }

  /** The database was away: until it is back, and nobody else was quicker, it is asked again. */
  private async takeAgain(): Promise<void> {
    while (!this.stopped) {
      try {
        await this.start();
        return;
      } catch (error) {
        this.log.warn({ err: error }, 'the lock of this shop’s only server is not to be had yet');
        await sleep(AGAIN_MS);
      }
    }
  }
}

async function take(url: string): Promise<pg.Client> {
  for (const until = Date.now() + PATIENCE_MS; ; ) {
    const client = new pg.Client({ connectionString: url, keepAlive: true });
    client.on('error', () => {});
    await client.connect();
    const { rows } = await client.query('SELECT pg_try_advisory_lock($1) AS "has"', [LOCK]);
    if (rows[0].has) return client;
    await client.end().catch(() => {});
    if (Date.now() > until) {
      throw new Error(
        'Another server works on this shop’s database. Stop it first: two would lose what the other keeps.',
      );
    }
    await sleep(AGAIN_MS);
  }
}
