/** The parts of a shop file, record by record, as the database has them. Records of earlier forms go out in today's. */
import type { ShopFile } from '@low-quarry/core/formats';
import { jobFactsOf } from '@low-quarry/core/model';
import { readStored } from '@low-quarry/core/records';
import { type EntityManager, In } from 'typeorm';
import { ChoiceEntity, type ChoiceRow } from '../choices/ChoiceEntity';
import { toChoice } from '../choices/ChoicesStore';
import type { ChangeRow } from '../history/ChangeEntity';
import { toChange } from '../history/HistoryStore';
import { FACTS_SELECTED, type JobRow } from '../jobs/JobEntity';
import { endedOf } from '../jobs/JobsStore';
import { OpeningEntity } from '../openings/OpeningEntity';
import { toOpening } from '../openings/OpeningsStore';
import type { PhotoRow } from '../photos/PhotoEntity';
import { PhotosStore, toPhoto } from '../photos/PhotosStore';
import type { PictureFiles } from '../photos/PictureFiles';
import type { ShelfRow } from '../shelf/ShelfEntity';
import { toLot } from '../shelf/ShelfStore';
import { readRows } from './readRows';

export type Element<Key extends 'people' | 'jobs' | 'history' | 'imports' | 'photos' | 'pictures' | 'shelf'> =
  ShopFile[Key][number];

export async function* readPeople(manager: EntityManager): AsyncGenerator<Element<'people'>> {
  yield* readRows<Element<'people'>>(
    manager,
    `SELECT "id", "version", "name", "roles", "active" FROM "person" ORDER BY "id"`,
  );
}

/** Library records; one that cannot be read goes out as it is kept. */
export async function* readRecords(
  manager: EntityManager,
  table: 'connector' | 'part' | 'vehicle',
): AsyncGenerator<unknown> {
  for await (const { record } of readRows<{ record: unknown }>(
    manager,
    `SELECT "record" FROM "${table}" ORDER BY "id"`,
  )) {
    const read = readStored(table, record);
    yield read.ok ? read.value : record;
  }
}

export async function readVersions(manager: EntityManager): Promise<ShopFile['versions']> {
  const [shop] = await manager.query(`SELECT "version" FROM "shop"`);
  const of = async (table: string) => {
    const rows: { id: string; version: number }[] = await manager.query(
      `SELECT "id", "version" FROM "${table}" WHERE "version" > 1 ORDER BY "id"`,
    );
    return Object.fromEntries(rows.map(({ id, version }) => [id, version]));
  };
  return { settings: shop?.version ?? 1, parts: await of('part'), vehicles: await of('vehicle') };
}

type JobColumns = Omit<JobRow, 'vehicle'>;

const JOBS = `SELECT "id", "number", "version", "vehicle_id", ${FACTS_SELECTED}, "created_at", "ended_as", "ended_at",
  "deleted_at", "deleted_by" FROM "job" ORDER BY "number"`;

export async function* readJobs(manager: EntityManager): AsyncGenerator<Element<'jobs'>> {
  for await (const job of readRows<JobColumns>(manager, JOBS)) {
    yield {
      id: job.id,
      number: job.number,
      version: job.version,
      vehicleId: job.vehicle_id,
      ...jobFactsOf(job),
      ended: endedOf(job),
      createdAt: job.created_at.toISOString(),
      deletedAt: job.deleted_at?.toISOString() ?? null,
      deletedBy: job.deleted_by,
      openings: await readOpenings(manager, job.id),
    };
  }
}

async function readOpenings(manager: EntityManager, jobId: string): Promise<Element<'jobs'>['openings']> {
  const openings = await manager.find(OpeningEntity, { where: { job_id: jobId }, order: { position: 'ASC' } });
  const rows = await manager.findBy(ChoiceEntity, { opening_id: In(openings.map(({ id }) => id)) });
  const choices = new Map(rows.map((row: ChoiceRow) => [row.opening_id, toChoice(row)]));
  return openings.map((row) => {
    const { id, version, record } = toOpening(row);
    const stored = choices.get(id);
    const choice = stored
      ? { ...stored.choice, verdictWhenChosen: stored.verdictWhenChosen, snapshot: stored.snapshot }
      : null;
    return { id, version, record, choice };
  });
}

/** Those that are on their records. */
export async function* readPhotos(manager: EntityManager): AsyncGenerator<Element<'photos'>> {
  for await (const row of readRows<PhotoRow>(
    manager,
    `SELECT * FROM "photo" WHERE "removed_at" IS NULL ORDER BY "id"`,
  )) {
    yield { ...toPhoto(row), bytes: row.bytes };
  }
}

/** Lots that are on the shelf. */
export async function* readShelf(manager: EntityManager): AsyncGenerator<Element<'shelf'>> {
  for await (const row of readRows<ShelfRow>(
    manager,
    `SELECT * FROM "shelf_lot" WHERE "removed_at" IS NULL ORDER BY "number"`,
  ))
    yield toLot(row);
}

/** Each once, after the photos that name it; one that is not on the disk any more is left out. */
export async function* readPictures(
  manager: EntityManager,
  pictures: PictureFiles | null,
): AsyncGenerator<Element<'pictures'>> {
  for (const hash of await new PhotosStore(manager).listHashes('used')) {
    const jpeg = await pictures?.read(hash);
    if (jpeg) yield { hash, base64: jpeg.toString('base64') };
  }
}

/** What stands behind the lines of parts packs, as it is kept. */
export async function* readImports(manager: EntityManager): AsyncGenerator<Element<'imports'>> {
  yield* readRows<Element<'imports'>>(
    manager,
    `SELECT "import_id" AS "importId", "import_version" AS "importVersion", "part_id" AS "partId", "version", "before", "after"
      FROM "import_part" ORDER BY "import_id", "import_version", "part_id"`,
  );
}

export async function* readHistory(manager: EntityManager): AsyncGenerator<Element<'history'>> {
  for await (const row of readRows<ChangeRow>(manager, `SELECT * FROM "change" ORDER BY "id"`)) {
    yield { ...toChange(row), batch: row.batch };
  }
}
