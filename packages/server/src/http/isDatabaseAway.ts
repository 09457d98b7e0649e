/**
 * Tells a database that cannot be reached from a fault of ours: the first passes by itself and is answered with 503.
 */
const AWAY_CODES = new Set(['ECONNREFUSED', 'ECONNRESET', 'ENOTFOUND', 'EPIPE', 'ETIMEDOUT', 'EHOSTUNREACH']);
/**
 * SQLSTATE: connection exception; too many connections, out of memory; operator intervention but for a statement that took
 * too long; no such database, not accepting. A full disk (53100) does not pass by itself and is told as what it is.
 */
const AWAY_CLASSES = /^(08|53[23]|57P)|^(3D000|55000)$/;
/**
 * `pg` gives these no code; the first four are TypeORM's or the pool's, which lets go of a connection that is lost in the middle of a
 * transaction, so that the next statement of it finds none.
 */
const AWAY_MESSAGES =
  /DataSource is not|Cannot use a pool after calling end|already released|transaction is not started|connection terminated|timeout exceeded when trying to connect|connection timeout|not queryable/i;

export function isDatabaseAway(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const code = 'code' in error && typeof error.code === 'string' ? error.code : '';
  if (AWAY_CODES.has(code) || AWAY_CLASSES.test(code) || AWAY_MESSAGES.test(error.message)) return true;
  if (error instanceof AggregateError) return error.errors.some(isDatabaseAway);
  return 'driverError' in error && isDatabaseAway(error.driverError);
}
