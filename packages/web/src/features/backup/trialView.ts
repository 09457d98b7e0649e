/** What is said of the last backup that is known to come back. */
import type { Trial } from '@low-quarry/core/contracts/backup';
import { whenWords } from '../../text/whenWords';

const DAY_MS = 86_400_000;
/** One is tried every night; a night or two may be missed. */
const WARN_AFTER_MS = 3 * DAY_MS;

export function trialView(trial: Trial | null, now: Date): { readonly words: string; readonly isWarning: boolean } {
  if (trial === null) {
    return { words: 'No backup was restored for trial yet: that is done after each nightly one.', isWarning: true };
  }
  const { fault, lastGoodMadeAt } = trial;
  if (lastGoodMadeAt === null) {
    return { words: `No backup is known to come back. The last trial failed: ${fault}`, isWarning: true };
  }
  const good = `The last backup that is known to come back was made ${whenWords(lastGoodMadeAt, now)}`;
  if (fault !== null) return { words: `${good}. The last trial failed: ${fault}`, isWarning: true };
  const isOld = now.getTime() - Date.parse(lastGoodMadeAt) > WARN_AFTER_MS;
  return { words: isOld ? `${good}: that is too long ago.` : `${good}; it was restored for trial.`, isWarning: isOld };
}
