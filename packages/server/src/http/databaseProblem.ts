/**
 * What an error of the database means to whoever asked. PostgreSQL's SQLSTATE classes say it (PostgreSQL 15 documentation,
 * appendix A): data that cannot be kept, a constraint, a wait that was cut, no room, or nobody there.
 */
import { AppError, refused } from './AppError';
import { isDatabaseAway } from './isDatabaseAway';

/** Raised by the database's own guards, with a sentence for the person. */
const GUARD = 'LQ001';
/** Raised where a newer program has brought the schema up to date. */
const NEWER_SCHEMA = 'LQ002';

/** Null for an error that is a fault of ours. */
export function databaseProblem(error: unknown): AppError | null {
  const { code, message } = stateOf(error);
  if (code === GUARD) return refused(message, [{ path: '', message }]);
  if (code === NEWER_SCHEMA) return new AppError(503, 'newer-schema', 'A newer program is at work', message);
  if (code === '23505') return new AppError(409, 'conflict', 'At the same moment', AT_ONCE);
  if (code.startsWith('23')) return refused(NOT_TOGETHER, []);
  if (code.startsWith('22')) return new AppError(400, 'invalid', 'Not valid', NOT_KEPT);
  if (code === '57014') return new AppError(422, 'too-slow', 'Took too long', TOO_SLOW);
  if (code === '53100') return new AppError(503, 'disk-full', 'The server’s disk is full', DISK_FULL);
  if (code === '55006') return new AppError(409, 'in-use', 'In use', IN_USE);
  if (isBusy(code)) return new AppError(503, 'busy', 'Busy', BUSY);
  if (isDatabaseAway(error)) return new AppError(503, 'database-away', 'The database does not answer', AWAY);
  return null;
}

/** Whether the same transaction, done again at once, may well succeed: a deadlock, or two that cannot be put in a row. */
export function isWorthAnotherTry(error: unknown): boolean {
  return /^(40P01|40001)$/.test(stateOf(error).code);
}

const AT_ONCE = 'The same was done at this moment by another request. Look again: what is missing can be done now.';
const NOT_TOGETHER = 'It names something that is not there, or does not go together. Nothing was changed.';
const NOT_KEPT = 'A value of the request cannot be kept: a day, a number or a text outside of what there is.';
const TOO_SLOW = 'The answer took longer than the server waits for one. Ask for less: fewer words, one job, one kind.';
const DISK_FULL = 'The server’s disk is full, so nothing can be saved until somebody makes room. Nothing was changed.';
const IN_USE =
  'Another program has the shop’s database open and cannot be sent away. Close it and try again. Nothing was changed.';
const BUSY = 'Somebody else is changing the same at this moment. Nothing was changed; try again shortly.';
const AWAY = 'The database does not answer. Nothing was changed; try again shortly.';

/** Deadlock, serialization, a lock that was not to be had in time. */
function isBusy(code: string): boolean {
  return /^(40P01|40001|55P03)$/.test(code);
}

function stateOf(error: unknown): { readonly code: string; readonly message: string } {
  if (!(error instanceof Error)) return { code: '', message: '' };
  if ('driverError' in error && error.driverError instanceof Error) return stateOf(error.driverError);
  const code = 'code' in error && typeof error.code === 'string' ? error.code : '';
  return { code, message: error.message };
}
