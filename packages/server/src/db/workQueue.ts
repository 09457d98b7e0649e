/**
 * The schema in which pg-boss keeps its queues. The owner makes it and brings it up to date; the server's login may only write its
 * rows, and hands nothing else to it.
 */
import { WORK_KINDS } from '@low-quarry/core/contracts/work';
import PgBoss from 'pg-boss';
import { withClient } from './withClient';

export const QUEUE_SCHEMA = 'work_queue';

/** @param appUrl of the login that is to work with it */
export async function prepareWorkQueue(ownerUrl: string, appUrl: string): Promise<void> {
  const boss = new PgBoss({
    connectionString: ownerUrl,
    schema: QUEUE_SCHEMA,
    supervise: false,
    schedule: false,
    max: 1,
  });
  let fault: Error | null = null;
  boss.on('error', (error) => {
    fault = error;
  });
  await boss.start();
  try {
    for (const name of WORK_KINDS) if (!(await boss.getQueue(name))) await boss.createQueue(name);
  } finally {
    await boss.stop({ graceful: false, wait: true });
  }
  if (fault) throw fault;
  const role = `"${decodeURIComponent(new URL(appUrl).username).replaceAll('"', '""')}"`;
  await withClient(ownerUrl, async (client) => {
    await client.query(`GRANT USAGE ON SCHEMA ${QUEUE_SCHEMA} TO ${role}`);
    await client.query(`GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA ${QUEUE_SCHEMA} TO ${role}`);
  });
}
