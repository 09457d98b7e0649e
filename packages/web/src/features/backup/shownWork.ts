/** What the screen of backups shows of the work outside requests. */
import { isOpenWork, type Work } from '@low-quarry/core/contracts/work';

/**
 * What makes a backup just now; else the backup somebody asked for, as long as it is the last and did not come about. (A night's
 * that failed has its own line.)
 * @param work the newest first
 */
export function shownWork(work: readonly Work[]): Work | null {
  const open = work.find(isOpenWork);
  if (open) return open;
  const asked = work.find(({ kind }) => kind === 'backup');
  return asked?.state === 'failed' ? asked : null;
}
