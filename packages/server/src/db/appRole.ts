/**
 * The role under which the running server works: it may read and write the shop, and may only add to the history. Even a
 * fault of ours, or a statement that somebody smuggles in, cannot change there what was written.
 */
import { setTimeout as sleep } from 'node:timers/promises';
import type { DataSource } from 'typeorm';

export const APP_ROLE = 'low_quarry_app';
/** What the role may only read and add to. */
const APPEND_ONLY = ['change'];
const TRIES = 10;
const AGAIN_MS = 200;
/** Roles belong to the cluster, and locks to a database: two shops that start at once may both make or grant it. */
const RACES = /tuple concurrently updated|already exists|duplicate key/;

/** Makes the role where the cluster has none yet, and gives it what it needs in this database. Run after the migrations. */
export async function prepareAppRole(owner: DataSource): Promise<void> {
  for (let tries = 1; ; tries++) {
    try {
      await grant(owner);
      return;
    } catch (error) {
      if (tries === TRIES || !(error instanceof Error) || !RACES.test(error.message)) throw error;
      await sleep(AGAIN_MS);
    }
  }
}

async function grant(owner: DataSource): Promise<void> {
  await owner.transaction(async (manager) => {
    const [known] = await manager.query('SELECT 1 FROM pg_roles WHERE rolname = $1', [APP_ROLE]);
    if (!known) await manager.query(`CREATE ROLE "${APP_ROLE}" NOLOGIN`);
    const [member] = await manager.query(`SELECT pg_has_role(current_user, $1, 'MEMBER') AS is`, [APP_ROLE]);
    if (!member.is) await manager.query(`GRANT "${APP_ROLE}" TO CURRENT_USER`);
    await manager.query(`GRANT USAGE ON SCHEMA public TO "${APP_ROLE}"`);
    await manager.query(`GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO "${APP_ROLE}"`);
    await manager.query(`GRANT USAGE, UPDATE ON ALL SEQUENCES IN SCHEMA public TO "${APP_ROLE}"`);
    const tables = await manager.query(
      `SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'public' AND table_name = ANY($1)`,
      [APPEND_ONLY],
    );
    for (const { name } of tables) {
      await manager.query(`REVOKE UPDATE, DELETE, TRUNCATE ON "${name}" FROM "${APP_ROLE}"`);
    }
  });
}
