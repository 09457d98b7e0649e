/** One shop for one test: a database of its own and a server process that can be killed and started again. */
import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { cp } from 'node:fs/promises';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import pg from 'pg';
import type { ServerHost } from './ServerHost';

/** A name that browsers do not take for their own machine: over plain http it is no secure context. */
export const PLAIN_HOST = 'shop.test';

/** How one comes in: as superuser, as the database's owner, as the server. */
export type Cluster = { readonly adminUrl: string; readonly ownerUrl: string; readonly appUrl: string };

function ownCluster(): Cluster {
  return {
    adminUrl: required('LQ_TEST_DATABASE_URL'),
    ownerUrl: required('LQ_TEST_OWNER_URL'),
    appUrl: required('LQ_TEST_APP_URL'),
  };
}

const LOOK_MS = 50;

type StartOptions = {
  readonly demo?: boolean;
  readonly host?: string;
  /** Files of a certificate and its key. */
  readonly tls?: { readonly cert: string; readonly key: string } | null;
};

export class Shop {
  /** Its own process; null while it has none, or is served in another's. */
  private server: ChildProcess | null = null;
  private host: ServerHost | null = null;
  url = '';

  /** @param cluster where its database is; the tests' own unless another is given */
  constructor(
    private readonly database: string,
    private readonly cluster: Cluster = ownCluster(),
  ) {}

  /**
   * A copy of `template`, with its backups, so that no night's work is due; with no template, a new database that the server fills with
   * the demo shop.
   */
  static async create(name: string, template: string | null): Promise<Shop> {
    const from = template ? ` TEMPLATE ${template}` : '';
    await asAdmin((admin) => admin.query(`CREATE DATABASE ${name} OWNER low_quarry_owner${from}`));
    const shop = new Shop(name);
    if (template) await cp(new Shop(template).backupDir, shop.backupDir, { recursive: true });
    return shop;
  }

  /** A new shop makes its first backup at once. */
  async untilNightIsOver(): Promise<void> {
    await this.inDatabase(async (client) => {
      for (;;) {
        const { rows } = await client.query(`SELECT "state", "fault" FROM "work" WHERE "kind" = 'nightly'`);
        if (rows[0]?.state === 'done') return;
        if (rows[0]?.fault) throw new Error(`the night's work failed: ${rows[0].fault}`);
        await sleep(LOOK_MS);
      }
    });
  }

  /** Starts the server; after a first start on the same port, as a browser that waits for it needs. */
  async start(options: StartOptions = {}): Promise<void> {
    const server = spawn(process.execPath, [required('LQ_SERVER_MAIN')], {
      env: this.envOf(options),
      stdio: ['ignore', process.env.LQ_SHOW_LOG ? 'inherit' : 'ignore', 'inherit', 'ipc'],
    });
    const listening = once(server, 'message').then(([message]) => (message as { listening: string }).listening);
    const died = once(server, 'exit').then(([code]) => Promise.reject(new Error(`the server ended with ${code}`)));
    died.catch(() => {});
    this.url = await Promise.race([listening, died]);
    this.server = server;
  }

  /** Starts it for the first time in a process that has served others. */
  async startIn(host: ServerHost): Promise<void> {
    this.url = await host.serve(this.envOf({}));
    this.host = host;
  }

  private envOf({ demo = true, host = '127.0.0.1', tls = null }: StartOptions): NodeJS.ProcessEnv {
    return {
      ...process.env,
      DATABASE_URL: urlOf(this.cluster.ownerUrl, this.database),
      LQ_APP_DATABASE_URL: urlOf(this.cluster.appUrl, this.database),
      LQ_ALLOWED_HOSTS: PLAIN_HOST,
      PORT: this.url ? new URL(this.url).port : '0',
      LQ_HOST: host,
      // What scenarios count and rank is the shop's own; the trade around it has its test.
      LQ_DEMO: demo ? 'small' : '0',
      LQ_BACKUP_DIR: this.backupDir,
      LQ_PHOTO_DIR: Shop.photoDir,
      ...(tls ? { LQ_TLS_CERT: tls.cert, LQ_TLS_KEY: tls.key } : {}),
      LOG_LEVEL: 'warn',
    };
  }

  /** One for all: a picture is the same file in whatever shop. */
  static get photoDir(): string {
    return path.join(required('LQ_TEST_RESULTS'), 'photos');
  }

  get backupDir(): string {
    return path.join(required('LQ_TEST_RESULTS'), 'backups', this.database);
  }

  /** Puts the database on another disk, or back where it was with null. The server is stopped for it. */
  async moveTo(disk: string | null): Promise<void> {
    await this.kill();
    const space = `${this.database}_disk`;
    await asAdmin(async (admin) => {
      if (disk) await admin.query(`CREATE TABLESPACE ${space} LOCATION '${disk}'`);
      await admin.query('SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = $1', [this.database]);
      await admin.query(`ALTER DATABASE ${this.database} SET TABLESPACE ${disk ? space : 'pg_default'}`);
      if (!disk) await admin.query(`DROP TABLESPACE ${space}`);
    });
  }

  /** As a power cut would: no chance to close anything. */
  async kill(): Promise<void> {
    const { server, host } = this;
    this.server = null;
    this.host = null;
    await host?.kill();
    if (!server || server.exitCode !== null) return;
    const exited = once(server, 'exit');
    server.kill('SIGKILL');
    await exited;
  }

  /** Runs something on the shop's own database, beside the server. */
  async inDatabase<T>(work: (client: pg.Client) => Promise<T>): Promise<T> {
    const client = new pg.Client({ connectionString: this.adminAddress });
    await client.connect();
    try {
      return await work(client);
    } finally {
      await client.end();
    }
  }

  async stopDatabase(): Promise<void> {
    await asAdmin(async (admin) => {
      await admin.query(`ALTER DATABASE ${this.database} ALLOW_CONNECTIONS false`);
      await admin.query('SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = $1', [this.database]);
    });
  }

  async startDatabase(): Promise<void> {
    await asAdmin((admin) => admin.query(`ALTER DATABASE ${this.database} ALLOW_CONNECTIONS true`));
  }

  /** The same server under the name that is no secure context. */
  get plainUrl(): string {
    const url = new URL(this.url);
    url.hostname = PLAIN_HOST;
    return url.origin;
  }

  /** Its database, as superuser. */
  get adminAddress(): string {
    return urlOf(this.cluster.adminUrl, this.database);
  }

  /** Of the server that runs. */
  get pid(): number {
    const pid = this.server?.pid;
    if (!pid) throw new Error('Shop.pid: expected a server that runs, got none');
    return pid;
  }

  async drop(): Promise<void> {
    await this.host?.close();
    this.host = null;
    await this.kill();
    await asAdmin((admin) => admin.query(`DROP DATABASE ${this.database} WITH (FORCE)`));
  }
}

async function asAdmin<T>(work: (admin: pg.Client) => Promise<T>): Promise<T> {
  const admin = new pg.Client({ connectionString: required('LQ_TEST_DATABASE_URL') });
  await admin.connect();
  try {
    return await work(admin);
  } finally {
    await admin.end();
  }
}

function urlOf(cluster: string, database: string): string {
  const url = new URL(cluster);
  url.pathname = `/${database}`;
  return url.href;
}

function required(name: string): string {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set; run the browser tests with: npm test -- e2e`);
  return value;
}
