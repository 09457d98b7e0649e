/** Rows of a query bit by bit, as they were at one moment, however many there are. */
import type { DataSource, EntityManager } from 'typeorm';

const ROWS = 500;

/**
 * What `read` gives, within one transaction that sees the shop as it is at its beginning. It ends with the last item, and when the
 * reader goes away.
 */
export async function* atOneMoment<Item>(
  db: DataSource,
  read: (manager: EntityManager) => AsyncGenerator<Item>,
): AsyncGenerator<Item> {
  const runner = db.createQueryRunner();
  try {
    await runner.startTransaction('REPEATABLE READ');
    await runner.query('SET TRANSACTION READ ONLY');
    yield* read(runner.manager);
    await runner.commitTransaction();
  } finally {
    // Over before its end, nothing was changed that could be lost.
    if (runner.isTransactionActive) await runner.rollbackTransaction().catch(() => {});
    await runner.release();
  }
}

let cursors = 0;

/** @param sql without parameters from outside */
export async function* readRows<Row>(manager: EntityManager, sql: string): AsyncGenerator<Row> {
  const cursor = `rows_${++cursors}`;
  await manager.query(`DECLARE ${cursor} NO SCROLL CURSOR FOR ${sql}`);
  for (;;) {
    const rows: Row[] = await manager.query(`FETCH ${ROWS} FROM ${cursor}`);
    yield* rows;
    if (rows.length < ROWS) break;
  }
  await manager.query(`CLOSE ${cursor}`);
}
