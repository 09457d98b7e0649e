/** Makes, lists and restores backups of the whole shop. Only one of them works at a time. */
import { randomBytes } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir, mkdtemp, readdir, rename, rm, stat, writeFile } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { type Backup, backupNameSchema, backupSchema } from '@low-quarry/core/contracts/backup';
import type { DataSource } from 'typeorm';
import { prepareAppRole } from '../../db/appRole';
import { createOwnerDataSource } from '../../db/dataSource';
import { AppError, notFound, refused } from '../../http/AppError';
import { ShopStore } from '../shop/ShopStore';
import { ArchiveError, type Manifest, readArchive, writeArchive } from './archive';
import { runTool, type Tools } from './postgresTools';
import { toTakeAway } from './rotation';

const DUMP = 'database.dump';
/** Sessions and answers to lost requests belong to the moment, not to the shop. */
const LEFT_OUT = ['session', 'done_once'];

export type Why = Backup['why'];
export type BackupOptions = Tools & { readonly dir: string };

export class BackupService {
  private busy: Promise<unknown> = Promise.resolve();
  nightlyFault: string | null = null;

  constructor(
    private readonly options: BackupOptions,
    private readonly now: () => Date,
  ) {}

  async list(): Promise<Backup[]> {
    await mkdir(this.options.dir, { recursive: true, mode: 0o700 });
    const names = (await readdir(this.options.dir)).filter((name) => backupNameSchema.safeParse(name).success);
    const backups = await Promise.all(names.map((name) => this.describe(name)));
    return backups.sort((a, b) => (a.madeAt < b.madeAt ? 1 : -1));
  }

  make(why: Why): Promise<Backup> {
    return this.alone(() => this.dump(why));
  }

  async nightly(): Promise<Backup> {
    try {
      const made = await this.make('nightly');
      const nightly = (await this.list()).filter((each) => each.why === 'nightly');
      for (const name of toTakeAway(nightly)) await rm(path.join(this.options.dir, name), { force: true });
      this.nightlyFault = null;
      return made;
    } catch (error) {
      this.nightlyFault = error instanceof Error ? error.message : String(error);
      throw error;
    }
  }

  /** Keeps an archive that came from elsewhere, when there is nothing wrong with it. */
  async keepUpload(body: Readable): Promise<Backup> {
    await mkdir(this.options.dir, { recursive: true, mode: 0o700 });
    const file = path.join(this.options.dir, `.upload-${randomBytes(6).toString('hex')}`);
    try {
      await pipeline(body, createWriteStream(file, { mode: 0o600 }));
      await withFolder((folder) => this.check(file, folder));
      const name = this.newName('upload');
      await rename(file, path.join(this.options.dir, name));
      return this.describe(name);
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
   * Makes the shop what an archive holds. It is read and checked whole first; then what is there is kept as a backup of its own;
   * then everything is replaced in one transaction.
   */
  restore(file: string): Promise<{ readonly manifest: Manifest; readonly keptAs: string }> {
    return this.alone(() =>
      withFolder(async (folder) => {
        const manifest = await this.check(file, folder);
        const script = path.join(folder, 'restore.sql');
        const listed = ['--no-owner', '--no-privileges', '--file', script, path.join(folder, DUMP)];
        await runTool(this.options, 'pg_restore', listed, { connects: false });
        const { name: keptAs } = await this.dump('before');
        const first = path.join(folder, 'first.sql');
        await writeFile(first, 'DROP SCHEMA public CASCADE; CREATE SCHEMA public;\n');
        const quiet = ['--no-psqlrc', '--quiet', '--single-transaction', '--set', 'ON_ERROR_STOP=1'];
        await runTool(this.options, 'psql', [...quiet, '--file', first, '--file', script]);
        await this.bringUpToDate();
        return { manifest, keptAs };
      }),
    );
  }

  /** Reads an archive and finds out whether this program could take it. */
  private async check(file: string, folder: string): Promise<Manifest> {
    try {
      const manifest = await readArchive(file, folder);
      const known = createOwnerDataSource(this.options.databaseUrl).options.migrations as readonly { name: string }[];
      if (!known.some(({ name }) => name === manifest.schema)) {
        throw new ArchiveError(`The backup was made by a newer program: this one does not know "${manifest.schema}".`);
      }
      await runTool(this.options, 'pg_restore', ['--list', path.join(folder, DUMP)], { connects: false }).catch(
        (error: unknown) => {
          throw new ArchiveError('The backup is damaged: its database cannot be read.', { cause: error });
        },
      );
      return manifest;
    } catch (error) {
      if (!(error instanceof ArchiveError)) throw error;
      throw refused(`${error.message} Nothing was changed.`, [{ path: 'file', message: error.message }]);
    }
  }

  private async dump(why: Why): Promise<Backup> {
    const { dir, databaseUrl } = this.options;
    await mkdir(dir, { recursive: true, mode: 0o700 });
    return withFolder(async (folder) => {
      const file = path.join(folder, DUMP);
      const without = LEFT_OUT.map((table) => `--exclude-table-data=${table}`);
      await runTool(this.options, 'pg_dump', ['--format=custom', '--no-owner', ...without, '--file', file]);
      const owner = await createOwnerDataSource(databaseUrl).initialize();
      const about = await describeShop(owner).finally(() => owner.destroy());
      const name = this.newName(why);
      const madeAt = this.now().toISOString();
      await writeArchive(path.join(dir, name), { madeAt, ...about }, [{ name: DUMP, file }]);
      return this.describe(name);
    });
  }

  private async bringUpToDate(): Promise<void> {
    const owner = await createOwnerDataSource(this.options.databaseUrl).initialize();
    try {
      await owner.runMigrations();
      await prepareAppRole(owner);
    } finally {
      await owner.destroy();
    }
  }

  private newName(why: Why): string {
    const stamp = this.now().toISOString().replace(/[-:]/g, '').replace('T', '-').slice(0, 15);
    return `${why}-${stamp}-${randomBytes(2).readUInt16BE()}.lqbackup`;
  }

  private async describe(name: string): Promise<Backup> {
    const { size } = await stat(path.join(this.options.dir, name));
    const [why, day = '', clock = ''] = name.replace('.lqbackup', '').split('-');
    const madeAt = `${day.slice(0, 4)}-${day.slice(4, 6)}-${day.slice(6)}T${clock.slice(0, 2)}:${clock.slice(2, 4)}:${clock.slice(4)}Z`;
    return backupSchema.parse({ name, madeAt, bytes: size, why });
  }

  private alone<Answer>(work: () => Promise<Answer>): Promise<Answer> {
    const answer = this.busy.then(work);
    this.busy = answer.catch(() => {});
    return answer;
  }
}

async function describeShop(owner: DataSource): Promise<Pick<Manifest, 'shopName' | 'schema'>> {
  const shop = await new ShopStore(owner.manager).find();
  const [last] = await owner.query(`SELECT "name" FROM "migrations" ORDER BY "id" DESC LIMIT 1`);
  return { shopName: shop?.name ?? 'a new shop', schema: last.name };
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
