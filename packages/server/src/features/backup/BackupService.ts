/** Makes, lists, tries and restores backups of the whole shop. Only one of them is worked at at a time. */
import { randomBytes } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir, mkdtemp, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import {
  type Backup,
  backupNameSchema,
  backupSchema,
  type Trial,
  trialSchema,
} from '@low-quarry/core/contracts/backup';
import { MIGRATION_NAMES } from '../../db/dataSource';
import type { Addresses } from '../../db/ShopDatabases';
import { AppError, notFound, refused } from '../../http/AppError';
import { type Progress, UNWATCHED, within } from '../../work/Progress';
import type { PictureFiles } from '../photos/PictureFiles';
import {
  ArchiveError,
  type Manifest,
  type PicturePart,
  type Pictures,
  readArchive,
  type TakePicture,
  writeArchive,
} from './archive';
import type { Tools } from './postgresTools';
import { readDump } from './readDump';
import { toTakeAway } from './rotation';
import type { Fill, ShopReplacement } from './ShopReplacement';
import { dumpTables, type Incoming, loadTables } from './tables';

const DUMP = 'database.dump';
const TRIAL = 'last-trial.json';
/** What a program that was killed leaves behind. */
const LEFT_OVER = /^\.upload-[0-9a-f]+$|\.partial$/;

export type Why = Backup['why'];
/** A backup that was just made. */
export type Made = Backup & {
  /** Of photos whose picture is not on the disk, or is damaged there. */
  readonly picturesLeftOut: number;
};
export type BackupOptions = Tools & {
  readonly dir: string;
  /** As the login that the server works under. */
  readonly appUrl: string;
  /** The pictures of photos go into each backup; null where there are none. */
  readonly pictures: PictureFiles | null;
};

export class BackupService {
  private busy: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly options: BackupOptions,
    private readonly replacement: ShopReplacement,
    private readonly now: () => Date,
  ) {}

  /** Takes away what was left half done. */
  async cleanUp(): Promise<void> {
    await this.makeDir();
    for (const name of await readdir(this.options.dir)) {
      if (LEFT_OVER.test(name)) await rm(path.join(this.options.dir, name), { force: true });
    }
    await this.replacement.cleanUp();
  }

  /** The newest first. A file that somebody else put there is none of them. */
  async list(): Promise<Backup[]> {
    await this.makeDir();
    const names = await readdir(this.options.dir);
    const backups = await Promise.all(names.map((name) => this.describe(name).catch(() => null)));
    return backups.filter((each) => each !== null).sort((a, b) => (a.madeAt < b.madeAt ? 1 : -1));
  }

  /** The last time that a backup was restored for trial, null where none was yet. */
  async lastTrial(): Promise<Trial | null> {
    try {
      return trialSchema.parse(JSON.parse(await readFile(path.join(this.options.dir, TRIAL), 'utf8')));
    } catch {
      return null;
    }
  }

  make(why: Why, progress: Progress = UNWATCHED): Promise<Made> {
    return this.alone(() => this.dump(why, progress), progress);
  }

  /** Makes one, restores it for trial, and takes away what the rotation does not keep. */
  async nightly(progress: Progress = UNWATCHED): Promise<Made> {
    const made = await this.make('nightly', within(progress, 0, 0.5));
    await this.tryOut(made, within(progress, 0.5, 1));
    const nightly = (await this.list()).filter((each) => each.why === 'nightly');
    for (const name of toTakeAway(nightly)) await rm(path.join(this.options.dir, name), { force: true });
    return made;
  }

  /** Brings a backup into a database of its own and looks at it; what was found is kept beside the backups. */
  async tryOut({ name, madeAt }: Backup, progress: Progress = UNWATCHED): Promise<Trial> {
    const last = await this.lastTrial();
    const triedAt = this.now().toISOString();
    const file = path.join(this.options.dir, name);
    const tried = this.alone(
      () => this.withArchive(file, ({ schema }, fill) => this.replacement.tryOut(schema, fill), { progress }),
      progress,
    );
    const fault = await tried.then(
      () => null,
      (error: unknown) => (error instanceof Error ? error.message : String(error)),
    );
    // Who ends it has not found anything out.
    progress.signal.throwIfAborted();
    const lastGoodMadeAt = fault === null ? madeAt : (last?.lastGoodMadeAt ?? null);
    const trial: Trial = { name, triedAt, fault, lastGoodMadeAt };
    const kept = path.join(this.options.dir, TRIAL);
    await writeFile(`${kept}.partial`, JSON.stringify(trial), { mode: 0o600 });
    await rename(`${kept}.partial`, kept);
    if (fault !== null) throw new Error(`the backup ${name} could not be restored for trial: ${fault}`);
    return trial;
  }

  /** Keeps an archive that came from elsewhere, when there is nothing wrong with it. */
  async keepUpload(body: readonly [Readable, ...NodeJS.ReadWriteStream[]]): Promise<Backup> {
    await this.makeDir();
    const file = path.join(this.options.dir, `.upload-${randomBytes(6).toString('hex')}`);
    try {
      await pipeline([...body, createWriteStream(file, { mode: 0o600 })]);
      await this.withArchive(file, async () => {});
      const name = this.newName('upload');
      await rename(file, path.join(this.options.dir, name));
      return await this.describe(name);
    } finally {
      await rm(file, { force: true });
    }
  }

  /** The file of a backup. */
  async fileOf(name: string): Promise<string> {
    const file = path.join(this.options.dir, name);
    await stat(file).catch(() => {
      throw notFound('backup');
    });
    return file;
  }

  /**
   * Makes the shop what an archive holds. What was there until the last write before it is kept as a backup of its own.
   */
  restore(
    file: string,
  ): Promise<{ readonly manifest: Manifest; readonly keptAs: string; readonly findings: readonly string[] }> {
    const { pictures } = this.options;
    let notTaken = 0;
    const takePicture: TakePicture = async (sha256, jpeg) => {
      if (pictures) await pictures.keep(sha256, jpeg);
      else notTaken++;
    };
    const replace = async (manifest: Manifest, fill: Fill<void>) => {
      let keptAs = '';
      const { findings } = await this.replacement.replace(manifest.schema, fill, async () => {
        keptAs = (await this.dump('before')).name;
      });
      const left = notTaken > 0 ? [`${notTaken} pictures were left where they are: no folder for photos was set`] : [];
      return { manifest, keptAs, findings: [...findings, ...left] };
    };
    return this.alone(() => this.withArchive(file, replace, { takePicture }));
  }

  /** Puts in the shop's place what `fill` makes; what was there is kept as a backup first. */
  replaceBy<Answer>(
    fill: Fill<Answer>,
    atRest: (incoming: Addresses) => Promise<void>,
  ): Promise<{ readonly answer: Answer; readonly findings: readonly string[] }> {
    return this.alone(() =>
      this.replacement.replace(MIGRATION_NAMES.at(-1) as string, fill, async (incoming) => {
        await atRest(incoming);
        await this.dump('before');
      }),
    );
  }

  /** Reads an archive, finds out whether this program could take it, and hands on what fills a database with it. */
  private async withArchive<Answer>(
    file: string,
    work: (manifest: Manifest, fill: Fill<void>) => Promise<Answer>,
    { progress = UNWATCHED, takePicture }: { readonly progress?: Progress; readonly takePicture?: TakePicture } = {},
  ): Promise<Answer> {
    return withFolder(async (folder) => {
      try {
        const manifest = await readArchive(file, folder, takePicture);
        if (!MIGRATION_NAMES.includes(manifest.schema)) {
          throw new ArchiveError(
            `The backup was made by a newer program: this one does not know "${manifest.schema}".`,
          );
        }
        const incoming = await this.tablesOf(manifest, folder);
        return await work(manifest, ({ appUrl }) => loadTables(appUrl, incoming, progress));
      } catch (error) {
        if (!(error instanceof ArchiveError)) throw error;
        throw refused(`${error.message} Nothing was changed.`, [{ path: 'file', message: error.message }]);
      }
    });
  }

  private async tablesOf(manifest: Manifest, folder: string): Promise<readonly Incoming[]> {
    if (manifest.version === 1) {
      const dump = manifest.parts.find(({ name }) => name === DUMP);
      if (!dump) throw new ArchiveError(`The backup is damaged: "${DUMP}" is missing.`);
      return readDump(this.options, path.join(folder, DUMP), folder);
    }
    return manifest.parts.map(({ name, table, columns, rows, plainBytes }) => ({
      table,
      columns,
      file: path.join(folder, name),
      expected: { rows, plainBytes },
    }));
  }

  private async dump(why: Why, progress: Progress = UNWATCHED): Promise<Made> {
    await this.makeDir();
    return withFolder(async (folder) => {
      const { parts, shopName, schema, hashes } = await dumpTables(this.options.appUrl, folder, progress);
      const name = this.newName(why);
      const madeAt = this.now().toISOString();
      progress.say('Writing the photos', 1);
      const pictures = await this.picturesOf(hashes, progress.signal);
      await writeArchive(path.join(this.options.dir, name), { madeAt, shopName, schema }, parts, pictures);
      return { ...(await this.describe(name)), picturesLeftOut: hashes.size - pictures.list.length };
    });
  }

  /** Those that are on the disk as they were kept: one that is damaged must not keep the whole shop from being safe. */
  private async picturesOf(hashes: ReadonlySet<string>, signal: AbortSignal): Promise<Pictures> {
    const { pictures } = this.options;
    const list: PicturePart[] = [];
    for (const sha256 of hashes) {
      signal.throwIfAborted();
      const jpeg = await pictures?.read(sha256);
      if (jpeg) list.push({ sha256, bytes: jpeg.length });
    }
    return {
      list,
      read: async (sha256) => {
        const jpeg = await pictures?.read(sha256);
        if (jpeg) return jpeg;
        throw new Error(`the picture ${sha256}.jpg was damaged or taken away while the backup was made`);
      },
    };
  }

  private async makeDir(): Promise<void> {
    await mkdir(this.options.dir, { recursive: true, mode: 0o700 });
  }

  private newName(why: Why): string {
    const stamp = this.now().toISOString().replace(/[-:]/g, '').replace('T', '-').slice(0, 15);
    return `${why}-${stamp}-${randomBytes(2).readUInt16BE()}.lqbackup`;
  }

  private async describe(name: string): Promise<Backup> {
    backupNameSchema.parse(name);
    const { size } = await stat(path.join(this.options.dir, name));
    const [why, day = '', clock = ''] = name.replace('.lqbackup', '').split('-');
    const madeAt = `${day.slice(0, 4)}-${day.slice(4, 6)}-${day.slice(6)}T${clock.slice(0, 2)}:${clock.slice(2, 4)}:${clock.slice(4)}Z`;
    return backupSchema.parse({ name, madeAt, bytes: size, why });
  }

  /** One after the other; who waits for its turn can be called off. */
  private async alone<Answer>(work: () => Promise<Answer>, { signal } = UNWATCHED): Promise<Answer> {
    const before = this.busy;
    let over = () => {};
    const mine = new Promise<void>((resolve) => {
      over = resolve;
    });
    this.busy = before.then(() => mine);
    try {
      await unlessAborted(before, signal);
      return await work();
    } finally {
      over();
    }
  }
}

async function unlessAborted(wait: Promise<unknown>, signal: AbortSignal): Promise<void> {
  signal.throwIfAborted();
  let abort = () => {};
  const aborted = new Promise<never>((_, reject) => {
    abort = () => reject(signal.reason);
    signal.addEventListener('abort', abort);
  });
  try {
    await Promise.race([wait, aborted]);
  } finally {
    signal.removeEventListener('abort', abort);
  }
}

async function withFolder<Answer>(work: (folder: string) => Promise<Answer>): Promise<Answer> {
  const folder = await mkdtemp(path.join(os.tmpdir(), 'low-quarry-backup-'));
  try {
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

export function tooLarge(): AppError {
  return new AppError(413, 'too-large', 'Too large', 'The file is larger than what is taken as a backup.');
}
