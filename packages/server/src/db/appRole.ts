/**
 * The login under which the server runs: it may read and write the shop, and may only add to the history. It is a member of
 * nothing else, so that even a statement that somebody smuggles in can neither change what was written nor become the owner.
 */
import { createHmac } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import type { DataSource } from 'typeorm';

const APP_ROLE = 'low_quarry_app';
/** What the role may only read and add to. */
const APPEND_ONLY = ['change', 'import_part'];
const TRIES = 10;
const AGAIN_MS = 200;
/** Roles belong to the cluster, and locks to a database: two shops that start at once may both make or grant it. */
const RACES = /tuple concurrently updated|already exists|duplicate key/;

/**
 * Gives the server's login what it needs in this database. Run after the migrations.
 *
 * @param owner as the database's owner
 * @param appUrl the login as the set-up made it
 */
export async function prepareAppRole(owner: DataSource, appUrl: string): Promise<void> {
  await tryAgain(() => grant(owner, decodeURIComponent(new URL(appUrl).username)));
}

/**
 * Makes the login where the set-up made none: on a database of somebody else's. Its password follows from the owner's, so that
 * whatever else is started on the same database (a backup, say) comes in with the same one.
 *
 * @returns the address with which the server comes in
 * @throws with what to do when the owner may not make logins
 */
export async function makeAppLogin(owner: Pick<DataSource, 'query'>, ownerUrl: string): Promise<string> {
  const url = new URL(ownerUrl);
  if (url.password === '') {
    throw new Error(
      `DATABASE_URL has no password, so none can follow from it for the login under which the server runs. Make that login, CREATE ROLE ${APP_ROLE} LOGIN, and set LQ_APP_DATABASE_URL to its address.`,
    );
  }
  url.username = APP_ROLE;
  url.password = createHmac('sha256', decodeURIComponent(url.password)).update(APP_ROLE).digest('hex');
  const login = `LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE PASSWORD '${url.password}'`;
  try {
    await tryAgain(async () => {
      const [known] = await owner.query('SELECT 1 FROM pg_roles WHERE rolname = $1', [APP_ROLE]);
      await owner.query(`${known ? 'ALTER' : 'CREATE'} ROLE "${APP_ROLE}" ${login}`);
      // Earlier programs let the owner's login take this role; it must not be the other way round.
      const [member] = await owner.query(`SELECT pg_has_role($1, current_user, 'MEMBER') AS is`, [APP_ROLE]);
      if (member.is) throw new Error(`${APP_ROLE} is a member of the database's owner; revoke that first.`);
    });
  } catch (error) {
    throw new Error(
      `The role of DATABASE_URL may not make the login under which the server runs. Make it once as an administrator, CREATE ROLE ${APP_ROLE} LOGIN PASSWORD '…', and set LQ_APP_DATABASE_URL to its address.`,
      { cause: error },
    );
  }
  return url.href;
}

async function tryAgain(work: () => Promise<void>): Promise<void> {
  for (let tries = 1; ; tries++) {
    try {
      await work();
      return;
    } catch (error) {
      if (tries === TRIES || !(error instanceof Error) || !RACES.test(error.message)) throw error;
      await sleep(AGAIN_MS);
    }
  }
}

async function grant(owner: DataSource, role: string): Promise<void> {
  const quoted = `"${role.replaceAll('"', '""')}"`;
  await owner.transaction(async (manager) => {
    await manager.query(`GRANT USAGE ON SCHEMA public TO ${quoted}`);
    await manager.query(`GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO ${quoted}`);
    await manager.query(`GRANT USAGE, UPDATE ON ALL SEQUENCES IN SCHEMA public TO ${quoted}`);
    await manager.query(`REVOKE INSERT, UPDATE, DELETE, TRUNCATE ON "migrations" FROM ${quoted}`);
    const tables = await manager.query(
      `SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'public' AND table_name = ANY($1)`,
      [APPEND_ONLY],
    );
    for (const { name } of tables) {
      await manager.query(`REVOKE UPDATE, DELETE, TRUNCATE ON "${name}" FROM ${quoted}`);
    }
  });
}
