/** Is the shop safe, and how does it come back? */
import { type Backup, EXPORT_PATH, type Trial } from '@low-quarry/core/contracts/backup';
import { BIN_DAYS } from '@low-quarry/core/contracts/jobs';
import { requirePassword } from '@low-quarry/core/contracts/sessions';
import { isOpenWork, type Work } from '@low-quarry/core/contracts/work';
import { capital } from '@low-quarry/core/firstLetter';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type MouseEvent, type ReactNode, useEffect, useState } from 'react';
import { askAnew } from '../../api/askAnew';
import { call } from '../../api/call';
import { whenWords } from '../../text/whenWords';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { Layer } from '../../ui/Layer';
import { late } from '../../ui/late';
import { Shell } from '../../ui/Shell';
import { Answered, Empty } from '../../ui/states';
import { picturesCountQuery } from '../photos/photoQueries';
import { WorkRow } from '../work/WorkRow';
import { workQuery } from '../work/workQueries';
import { backupsQuery, useAskBackup, useImportShop, useUploadBackup } from './backupQueries';
import { shownWork } from './shownWork';
import { trialView } from './trialView';

const RestoreForm = late(() => import('./RestoreForm').then((code) => code.RestoreForm));

const WHY_WORDS: Readonly<Record<Backup['why'], string>> = {
  nightly: 'made by itself',
  asked: 'asked for',
  upload: 'brought in',
  before: 'kept before a restore',
};
const TABLES = ['jobs', 'openings', 'parts', 'history'] as const;
const FILE_LINK = 'inline-flex min-h-12 items-center text-action underline underline-offset-2';

export function BackupScreen() {
  const backups = useQuery(backupsQuery);
  const ask = useAskBackup();
  const shown = useShownWork();
  const isBeingMade = shown?.kind === 'backup' && isOpenWork(shown);
  return (
    <Shell
      title="Backups"
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/backups', label: 'Backups' },
      ]}
      aside={
        <Button kind="main" disabled={ask.isPending || isBeingMade} onClick={() => ask.mutate(undefined)}>
          {isBeingMade ? 'A backup is being made …' : 'Make a backup now'}
        </Button>
      }
    >
      <p className="max-w-2xl">
        One is made every night while the shop is closed; seven nights, four weeks and six months of them stay. Keep a
        copy on another machine: a backup beside its shop burns with it.
      </p>
      <FormError>{ask.error?.message ?? null}</FormError>
      {shown && (
        <ul aria-label={isOpenWork(shown) ? 'Being made' : 'Not made'} className="border-t border-ink">
          <WorkRow work={shown} />
        </ul>
      )}
      <Answered query={backups} what="the backups">
        {({ backups: all, nightlyFault, lastTrial }) => (
          <>
            <FormError>{nightlyFault ? `The last nightly work failed: ${nightlyFault}` : null}</FormError>
            <TrialLine trial={lastTrial} />
            {all.length === 0 ? (
              <Empty>There is no backup yet. Make the first one now.</Empty>
            ) : (
              <ul className="border-t border-ink">
                {all.map((backup) => (
                  <BackupRow key={backup.name} backup={backup} />
                ))}
              </ul>
            )}
          </>
        )}
      </Answered>
      <Pictures />
      <Upload />
      <OpenFiles />
    </Shell>
  );
}

/** What is at work, or was and failed; the list is read anew once it has ended. */
function useShownWork(): Work | null {
  const { data } = useQuery(workQuery);
  const queries = useQueryClient();
  const shown = data ? shownWork(data.work) : null;
  const openId = shown && isOpenWork(shown) ? shown.id : undefined;
  useEffect(() => {
    if (openId === undefined) return;
    return () => void askAnew(queries, backupsQuery.queryKey);
  }, [openId, queries]);
  return shown;
}

/** How old the last backup is that is known to come back: that one would be restored. */
function TrialLine({ trial }: { readonly trial: Trial | null }) {
  const { words, isWarning } = trialView(trial, new Date());
  return <p className={`max-w-2xl font-semibold ${isWarning ? 'text-hits' : 'text-clears'}`}>{words}</p>;
}

function BackupRow({ backup: { name, madeAt, bytes, why } }: { readonly backup: Backup }) {
  return (
    <li className="flex flex-wrap items-center justify-between gap-x-6 border-b border-hairline py-1">
      <span>
        <strong>{capital(whenWords(madeAt, new Date()))}</strong>, {WHY_WORDS[why]}
        <br />
        <span className="text-muted">
          {name}, {sizeWords(bytes)}
        </span>
      </span>
      <span className="flex flex-wrap gap-4">
        <Download href={`/api/backups/${name}/file`}>
          Download<span className="sr-only"> {name}</span>
        </Download>
        <Restore name={name} madeAt={madeAt} />
      </span>
    </li>
  );
}

function Restore({ name, madeAt }: { readonly name: string; readonly madeAt: string }) {
  const [open, setOpen] = useState(false);
  return (
    <Layer
      title="Restore a backup"
      open={open}
      onOpenChange={setOpen}
      trigger={(props) => (
        <Button kind="quiet" {...props}>
          Restore<span className="sr-only"> {name}</span>
        </Button>
      )}
    >
      <RestoreForm name={name} madeAt={madeAt} onDone={() => setOpen(false)} />
    </Layer>
  );
}

/** What photos take of the disk, and whether one of them is gone from it. */
function Pictures() {
  const count = useQuery(picturesCountQuery);
  return (
    <section aria-label="Photos on the disk" className="flex flex-col gap-1 border-t border-ink pt-2">
      <h2>Photos on the disk</h2>
      <Answered query={count} what="how many photos there are">
        {({ files, bytes, unusedFiles, unusedBytes, missing }) => (
          <>
            <p>
              {files === 1 ? 'One picture' : `${files} pictures`}, {sizeWords(bytes)}. Each backup that is made has
              those of photos.
            </p>
            {unusedFiles > 0 && (
              <p>
                {unusedFiles === 1 ? 'One' : unusedFiles} of them, {sizeWords(unusedBytes)}, no record shows: those of
                photos that were taken off can be brought back for {BIN_DAYS} days, and then go by themselves; those of
                none go after a day.
              </p>
            )}
            <FormError>
              {missing > 0
                ? `${missing === 1 ? 'The picture of one photo is' : `The pictures of ${missing} photos are`} gone from the disk. Restoring a backup that has them brings them back.`
                : null}
            </FormError>
          </>
        )}
      </Answered>
    </section>
  );
}

function Upload() {
  const upload = useUploadBackup();
  return (
    <section aria-label="Bring a backup in" className="flex flex-col gap-2 border-t border-ink pt-2">
      <h2>Bring a backup in from elsewhere</h2>
      <FilePick
        label="Backup file"
        accept=".lqbackup"
        hint="It is checked whole when it is brought in; restoring it is a step of its own."
        busy={upload.isPending}
        onPick={(file) => upload.mutate(file)}
      />
      <FormError>{upload.error?.message ?? null}</FormError>
      <p role="status" className="font-semibold text-clears">
        {upload.isSuccess && `${upload.data.name} is in the list.`}
      </p>
    </section>
  );
}

function OpenFiles() {
  const bring = useImportShop();
  return (
    <section aria-label="Open files" className="flex flex-col gap-2 border-t border-ink pt-2">
      <h2>The whole shop as open files</h2>
      <p className="max-w-2xl text-muted">
        For other programs, and for a new shop on another machine. Passwords and PINs are not in them.
      </p>
      <p className="flex flex-wrap gap-x-6">
        <Download href={EXPORT_PATH}>Everything as JSON</Download>
        {TABLES.map((table) => (
          <Download key={table} href={`${EXPORT_PATH}/${table}.csv`}>
            {capital(table)} as CSV
          </Download>
        ))}
      </p>
      <FilePick
        label="Shop file to bring into this new shop, JSON"
        accept=".json,application/json"
        hint="Into a shop without jobs and library only. People come in without a password; you give them one."
        busy={bring.isPending}
        onPick={(file) => bring.mutate(file)}
      />
      <FormError>{bring.error?.message ?? null}</FormError>
      <p role="status" className="font-semibold text-clears">
        {bring.isSuccess &&
          `Brought in: ${bring.data.jobs} jobs, ${bring.data.vehicles} vehicles, ${bring.data.parts} parts.`}
      </p>
      <FormError>
        {bring.isSuccess && bring.data.findings.length > 0 ? `In it, ${bring.data.findings.join('; ')}.` : null}
      </FormError>
    </section>
  );
}

/** A file that is handed out once the password counts: a browser that saves an answer would save the refusal too. */
function Download({ href, children }: { readonly href: string; readonly children: ReactNode }) {
  const [refusal, setRefusal] = useState<string | null>(null);
  const take = async (event: MouseEvent) => {
    event.preventDefault();
    try {
      await call(requirePassword, { params: {} });
      setRefusal(null);
      const link = document.createElement('a');
      link.href = href;
      link.download = '';
      link.click();
    } catch (error) {
      setRefusal(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <span>
      <a href={href} download className={FILE_LINK} onClick={(event) => void take(event)}>
        {children}
      </a>
      <FormError>{refusal}</FormError>
    </span>
  );
}

function FilePick({
  label,
  accept,
  hint,
  busy,
  onPick,
}: {
  readonly label: string;
  readonly accept: string;
  readonly hint: string;
  readonly busy: boolean;
  readonly onPick: (file: File) => void;
}) {
  return (
    <label className="flex max-w-xl flex-col gap-1">
      <span className="font-semibold">{label}</span>
      <input
        type="file"
        accept={accept}
        disabled={busy}
        className="min-h-12 border border-muted bg-paper p-2"
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          if (file) onPick(file);
          // The same file can be picked again after it was mended.
          target.value = '';
        }}
      />
      <span className="text-[13px] leading-4 text-muted">{busy ? 'Being read …' : hint}</span>
    </label>
  );
}

function sizeWords(bytes: number): string {
  return bytes < 1e6 ? `${Math.ceil(bytes / 1e3)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;
}
