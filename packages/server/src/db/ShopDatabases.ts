/**
 * New databases beside the shop's, and the one step with which one takes its place. A database is never changed into another:
 * it is made anew, filled and looked at while the old one serves, and then the two change names in one transaction. Whatever
 * fails before that leaves nothing but a database that is taken away again.
 */
import { randomBytes } from 'node:crypto';
import type pg from 'pg';
import { prepareAppRole } from './appRole';
import { createOwnerDataSource, MIGRATION_NAMES } from './dataSource';
import { withClient } from './withClient';
import { prepareWorkQueue } from './workQueue';

export type Addresses = {
  /** As the database's owner. */
  readonly ownerUrl: string;
  /** As the login that the server works under. */
  readonly appUrl: string;
};

/** Where databases are made from: one that every cluster has. */
const MAINTENANCE = 'postgres';

export class ShopDatabases {
  constructor(private readonly shop: Addresses) {}

  /** A new database with the schema up to a migration. */
  async create(schema: string): Promise<Addresses> {
    const name = `${this.shopName}_incoming_${randomBytes(4).toString('hex')}`;
    await this.asOwner((client) => client.query(`CREATE DATABASE ${quote(name)} TEMPLATE template0 ENCODING 'UTF8'`));
    const made = this.addressesOf(name);
    try {
      await migrate(made, schema);
      return made;
    } catch (error) {
      await this.drop(made);
      throw error;
    }
  }

  /** Brings a database to what this program needs. */
  async bringUpToDate(database: Addresses): Promise<void> {
    await migrate(database, MIGRATION_NAMES.at(-1) as string);
    await prepareWorkQueue(database.ownerUrl, database.appUrl);
  }

  async drop({ ownerUrl }: Addresses): Promise<void> {
    await this.asOwner((client) => dropDatabase(client, nameOf(ownerUrl)));
  }

  /**
   * Makes a database the shop's. Nobody may be connected to either; what still is, is cut.
   *
   * @returns the one that was the shop's until now
   */
  async swap(incoming: Addresses): Promise<Addresses> {
    const [now, next] = [this.shopName, nameOf(incoming.ownerUrl)];
    const former = `${now}_outgoing_${randomBytes(4).toString('hex')}`;
    await this.asOwner(async (client) => {
      await disconnect(client, [now, next]);
      await client.query('BEGIN');
      await client.query(`ALTER DATABASE ${quote(now)} RENAME TO ${quote(former)}`);
      await client.query(`ALTER DATABASE ${quote(next)} RENAME TO ${quote(now)}`);
      await client.query('COMMIT');
    });
    return this.addressesOf(former);
  }

  /** Takes away what a program that was killed in the middle has left. */
  async dropLeftOvers(): Promise<void> {
    await this.asOwner(async (client) => {
      const { rows } = await client.query(
        `SELECT datname AS name FROM pg_database WHERE datname ~ ('^' || $1 || '_(incoming|outgoing)_[0-9a-f]{8}$')
           AND pg_get_userbyid(datdba) = current_user`,
        [this.shopName],
      );
      for (const { name } of rows) await dropDatabase(client, name);
    });
  }

  private get shopName(): string {
    return nameOf(this.shop.ownerUrl);
  }

  private addressesOf(name: string): Addresses {
    return { ownerUrl: withName(this.shop.ownerUrl, name), appUrl: withName(this.shop.appUrl, name) };
  }

  private asOwner<Answer>(work: (client: pg.Client) => Promise<Answer>): Promise<Answer> {
    return withClient(withName(this.shop.ownerUrl, MAINTENANCE), work);
  }
}

/** Cuts what our own logins have open. Whoever else is in there is not ours to cut: the next step says that they are. */
async function disconnect(client: pg.Client, databases: readonly string[]): Promise<void> {
  await client.query(
    `SELECT pg_terminate_backend(pid) FROM pg_stat_activity
      WHERE datname = ANY($1) AND pid <> pg_backend_pid() AND pg_has_role(usesysid, 'MEMBER')`,
    [databases],
  );
}

/**
 * Not `WITH (FORCE)`: that fails where PostgreSQL itself is tidying up in the database, while without it that is sent away and
 * waited for.
 */
async function dropDatabase(client: pg.Client, name: string): Promise<void> {
  await disconnect(client, [name]);
  await client.query(`DROP DATABASE IF EXISTS ${quote(name)}`);
}

async function migrate({ ownerUrl, appUrl }: Addresses, schema: string): Promise<void> {
  const owner = await createOwnerDataSource(ownerUrl, { upTo: schema }).initialize();
  try {
    await owner.runMigrations();
    await prepareAppRole(owner, appUrl);
  } finally {
    await owner.destroy();
  }
}

function nameOf(url: string): string {
  return decodeURIComponent(new URL(url).pathname.slice(1));
}

function withName(url: string, name: string): string {
  const changed = new URL(url);
  changed.pathname = `/${encodeURIComponent(name)}`;
  return changed.href;
}

function quote(name: string): string {
  return `"${name.replaceAll('"', '""')}"`;
}
