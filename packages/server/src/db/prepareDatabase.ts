/** Brings the database up to date as its owner, before anything is served from it. */
import type { Logger } from 'pino';
import type { Config } from '../config';
import { makeAppLogin, prepareAppRole } from './appRole';
import { connect } from './connect';
import { createOwnerDataSource } from './dataSource';
import { requireKnownSchema } from './requireKnownSchema';
import type { Addresses } from './ShopDatabases';
import { prepareWorkQueue } from './workQueue';

/**
 * @param andThen what else is to be done as the owner
 * @returns the addresses of the owner and of the login under which the server works
 */
export async function prepareDatabase(
  config: Config,
  log: Logger,
  andThen?: (owner: ReturnType<typeof createOwnerDataSource>) => Promise<void>,
): Promise<Addresses> {
  const owner = createOwnerDataSource(config.databaseUrl);
  await connect(owner, log);
  try {
    await requireKnownSchema(owner);
    await owner.runMigrations();
    const appUrl = config.appDatabaseUrl ?? (await makeAppLogin(owner, config.databaseUrl));
    await prepareAppRole(owner, appUrl);
    await prepareWorkQueue(config.databaseUrl, appUrl);
    await andThen?.(owner);
    return { ownerUrl: config.databaseUrl, appUrl };
  } finally {
    await owner.destroy();
  }
}
