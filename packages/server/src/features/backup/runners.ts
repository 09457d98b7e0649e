/**
 * What the server does outside a request. Once a day, while the shop is closed, a backup with its trial and rotation; then what has
 * been in the bin for too long goes, and sessions, answers and pieces of work that nobody needs any more.
 */
import type { DataSource } from 'typeorm';
import type { Hold } from '../../http/Hold';
import { inTransaction } from '../../http/inTransaction';
import type { RunTask } from '../../tasks/tasks';
import { type Progress, Refused, within } from '../../work/Progress';
import type { Runners } from '../../work/WorkQueue';
import { WorkStore } from '../../work/WorkStore';
import { History, programAuthor } from '../history/History';
import { createJobsService } from '../jobs/jobsRoutes';
import { ListsStore } from '../lists/ListsStore';
import { PhotosService } from '../photos/PhotosService';
import type { PictureFiles } from '../photos/PictureFiles';
import { removeUnusedPictures } from '../photos/unusedPictures';
import { GUESSES_COUNT_MS } from '../sessions/Guesses';
import { SESSION_LIMITS } from '../sessions/SessionsService';
import { SessionsStore } from '../sessions/SessionsStore';
import { ShelfService } from '../shelf/ShelfService';
import type { BackupService, Made } from './BackupService';

const DAY_MS = 86_400_000;
/** How long a lost answer can still be asked for again. */
const ANSWER_DAYS = 30;
/** How long ended work is shown. */
const WORK_DAYS = 30;

export type RunnersDeps = {
  readonly db: DataSource;
  readonly hold: Hold;
  readonly backups: BackupService;
  readonly pictures: PictureFiles | null;
  readonly appUrl: string;
  /** Nobody waits for it. */
  readonly runBeside: RunTask;
  readonly now: () => Date;
  readonly newId: () => string;
};

export function createRunners(deps: RunnersDeps): Runners {
  return {
    // A disk that is full at night may have room when somebody looked at it in the morning: then it is asked anew.
    nightly: { tries: 3, againAfterS: 600, run: (progress) => nightly(deps, progress) },
    backup: {
      tries: 2,
      // Long enough to be read, and to do something about it.
      againAfterS: 30,
      run: async (progress) => {
        const made = await deps.backups.make('asked', progress);
        return `${made.name} is in the list.${leftOutWords(made)}`;
      },
    },
    // What was cut off is begun again from its beginning: nothing of it is in.
    list: { tries: 3, againAfterS: 10, run: (progress, listId) => bringIn(deps, progress, listId) },
  };
}

async function bringIn(
  { db, appUrl, runBeside, now, newId }: RunnersDeps,
  { say, signal }: Progress,
  listId: string | null,
): Promise<string> {
  if (listId === null) throw new Error('runners: expected a list to be of something');
  const task = { appUrl, list: { kind: 'kept', id: listId }, importId: newId(), batch: newId() } as const;
  const came = await runBeside('bringInList', { ...task, at: now().toISOString() }, say, signal);
  if (!came.ok) throw new Refused(came.failure);
  const { added, changed, newParts, changedParts, keptOut } = came.value;
  const list = await new ListsStore(db.manager).find(listId);
  const name = list ? `${list.asked.name} of ${list.asked.supplier}` : 'The list';
  return `${name}: new or changed parts ${newParts + changedParts}, offers ${added + changed}; rows that stayed out ${keptOut}.`;
}

async function nightly(deps: RunnersDeps, progress: Progress): Promise<string> {
  // Whatever becomes of the backup, what is over goes; its fault is told after that.
  const backup = await deps.backups.nightly(within(progress, 0, 0.95)).then(
    (made) => ({ made }),
    (error: unknown) => ({ error }),
  );
  progress.signal.throwIfAborted();
  progress.say('Tidying up', 0.95);
  await deps.hold.during(() => tidy(deps));
  if ('error' in backup) throw backup.error;
  const { made } = backup;
  return `${made.name} was made and restored for trial; what is over was tidied away.${leftOutWords(made)}`;
}

function leftOutWords({ picturesLeftOut: count }: Made): string {
  if (count === 0) return '';
  return ` ${count} ${count === 1 ? 'photo is' : 'photos are'} not in it: the picture is damaged on the disk, or gone.`;
}

async function tidy({ db, pictures, now, newId }: RunnersDeps): Promise<void> {
  await inTransaction(db, async (manager) => {
    const history = new History(manager, programAuthor('The bin'), now(), newId());
    const shelf = new ShelfService(manager, history);
    await createJobsService(manager).purgeBin(history, (jobId) => shelf.giveBackOf(jobId));
    await new PhotosService(manager, history).purgeRemoved();
  });
  if (pictures) await removeUnusedPictures(db.manager, pictures, now());
  const at = now().getTime();
  const sessions = new SessionsStore(db.manager);
  await sessions.prune(new Date(at - SESSION_LIMITS.idleMs), new Date(at - SESSION_LIMITS.absoluteMs));
  await db.query(`DELETE FROM "done_once" WHERE "at" < $1`, [new Date(at - ANSWER_DAYS * DAY_MS)]);
  await db.query(`DELETE FROM "attempt" WHERE "at" < $1`, [new Date(at - GUESSES_COUNT_MS)]);
  await WorkStore.on(db).removeEndedBefore(new Date(at - WORK_DAYS * DAY_MS));
  await new ListsStore(db.manager).removeBefore(new Date(at - WORK_DAYS * DAY_MS));
}
