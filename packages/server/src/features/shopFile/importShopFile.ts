/** Brings a shop file into a new, empty database: every number, id, version and link as it was. */
import { brokenReferences, type ShopFile, shopFileSchema, upgradeShopFile } from '@low-quarry/core/formats';
import { pictureKind } from '@low-quarry/core/photo';
import type { RecordKind } from '@low-quarry/core/records';
import { readStored, toStored } from '@low-quarry/core/records';
import type { EntityManager } from 'typeorm';
import { countOn } from '../../db/countOn';
import { insertRows } from '../../db/insertRows';
import { AppError, type FieldError } from '../../http/AppError';
import { requireStorable } from '../../http/requireStorable';
import { ChoicesStore } from '../choices/ChoicesStore';
import { factColumnsOf } from '../jobs/JobEntity';
import { signInName } from '../people/PeopleStore';
import { hashSecret, newToken } from '../people/secrets';
import { type PictureFiles, sha256 } from '../photos/PictureFiles';

/** So many rows go into one statement. */
const ROWS = 500;
const MOST_ERRORS = 20;

export type Imported = { jobs: number; parts: number; vehicles: number; changes: number };

/** @throws AppError with the paths inside the file */
export function readShopFile(json: unknown): ShopFile {
  requireStorable(json);
  const parsed = shopFileSchema.safeParse(upgradeShopFile(json));
  const errors: readonly FieldError[] = parsed.success
    ? brokenReferences(parsed.data)
    : parsed.error.issues.map(({ path, message }) => ({ path: path.join('.'), message }));
  if (parsed.success && errors.length === 0) return parsed.data;
  const [first] = errors;
  const detail = `${first?.path || 'file'}: ${first?.message} Nothing was changed.`;
  throw new AppError(400, 'invalid', 'Not a shop file', detail, { errors: errors.slice(0, MOST_ERRORS) });
}

/**
 * Keeps the pictures of a file: nothing refers to them until the shop is brought in, and they go by themselves if it is not.
 *
 * @throws AppError where one is not what its name says
 */
export async function keepPictures({ pictures }: Pick<ShopFile, 'pictures'>, files: PictureFiles): Promise<void> {
  const read = pictures.map(({ hash, base64 }, at) => {
    const jpeg = Buffer.from(base64, 'base64');
    const kind = pictureKind(jpeg);
    if (sha256(jpeg) === hash && kind.ok && kind.value === 'jpeg') return { hash, jpeg };
    const message = `It is not the picture "${hash}" as it was written. Nothing was changed.`;
    const path = `pictures.${at}`;
    throw new AppError(400, 'invalid', 'Not a shop file', `${path}: ${message}`, { errors: [{ path, message }] });
  });
  for (const { hash, jpeg } of read) await files.keep(hash, jpeg);
}

/**
 * People of the file keep their names and roles and come in without a password: the owner gives them one. The one who brings
 * the file in stays who they are; somebody of the same name in the file is taken to be them.
 *
 * @param from the shop that is replaced: it has the owner, their device and their session
 * @returns who the owner is in the new shop
 */
export async function importShopFile(
  into: EntityManager,
  file: ShopFile,
  from: EntityManager,
  ownerId: string,
): Promise<{ readonly imported: Imported; readonly ownerId: string }> {
  const [shop] = await from.query('SELECT "is_demo" FROM "shop"');
  await insertRows(into, 'shop', [
    { id: 1, settings: toStored('settings', file.settings), is_demo: shop.is_demo, version: file.versions.settings },
  ]);
  const ownerIdThere = await insertPeople(into, file.people, from, ownerId);
  await insertRows(
    into,
    'connector',
    file.connectors.map((record) => ({ id: record.id, record: toStored('connector', record) })),
  );
  await insertRows(
    into,
    'part',
    file.parts.map((record) => ({
      id: record.id,
      kind: record.kind,
      record: toStored('part', record),
      version: file.versions.parts[record.id] ?? 1,
    })),
  );
  await insertRows(
    into,
    'vehicle',
    file.vehicles.map((record) => ({
      id: record.id,
      record: toStored('vehicle', record),
      version: file.versions.vehicles[record.id] ?? 1,
    })),
  );
  await insertJobs(into, file.jobs);
  await insertRows(
    into,
    'photo',
    file.photos.map(({ recordId, jobId, widthPx, heightPx, addedAt, addedBy, marks, ...same }) => ({
      ...same,
      record_id: recordId,
      job_id: jobId,
      width_px: widthPx,
      height_px: heightPx,
      marks,
      added_at: addedAt,
      added_by: addedBy,
      removed_at: null,
    })),
  );
  await insertRows(
    into,
    'shelf_lot',
    file.shelf.map(({ partId, from, jobId, countedAt, countedBy, ...same }) => ({
      ...same,
      part_id: partId,
      from_order: from,
      job_id: jobId,
      counted_at: countedAt,
      counted_by: countedBy,
      removed_at: null,
    })),
  );
  await insertHistory(into, file.history);
  await insertRows(
    into,
    'import_part',
    file.imports.map((each) => ({
      import_id: each.importId,
      import_version: each.importVersion,
      part_id: each.partId,
      version: each.version,
      before: each.before,
      after: each.after,
    })),
  );
  await countOn((sql) => into.query(sql));
  const imported = {
    jobs: file.jobs.length,
    parts: file.parts.length,
    vehicles: file.vehicles.length,
    changes: file.history.length,
  };
  return { imported, ownerId: ownerIdThere };
}

/** The owner's device and session, so that they need not sign in again. */
export async function moveSession(
  into: EntityManager,
  from: EntityManager,
  sessionId: string,
  ownerId: string,
): Promise<void> {
  const [session] = await from.query('SELECT * FROM "session" WHERE "id" = $1', [sessionId]);
  if (!session) return;
  const [device] = await from.query('SELECT * FROM "device" WHERE "id" = $1', [session.device_id]);
  await insertRows(into, 'device', [{ ...device, password_by: device.password_by === null ? null : ownerId }]);
  await insertRows(into, 'session', [{ ...session, person_id: ownerId }]);
}

async function insertPeople(
  into: EntityManager,
  people: ShopFile['people'],
  from: EntityManager,
  ownerId: string,
): Promise<string> {
  const [owner] = await from.query('SELECT * FROM "person" WHERE "id" = $1', [ownerId]);
  const same = people.find(({ name }) => signInName(name) === owner.sign_in_name);
  // Nobody knows this password: it only keeps the door shut until the owner gives them one.
  const nobodys = await hashSecret(newToken());
  const others = people
    .filter((person) => person !== same)
    .map(({ id, version, name, roles, active }) => ({
      id,
      version,
      name,
      sign_in_name: signInName(name),
      roles,
      active,
      password_hash: nobodys,
      pin_hash: null,
      pin_failures: 0,
    }));
  const versions = same ? { id: same.id, version: same.version } : {};
  await insertRows(into, 'person', [{ ...owner, ...versions }, ...others]);
  return same?.id ?? ownerId;
}

async function insertJobs(into: EntityManager, jobs: ShopFile['jobs']): Promise<void> {
  await insertRows(
    into,
    'job',
    jobs.map((job) => ({
      id: job.id,
      number: job.number,
      version: job.version,
      vehicle_id: job.vehicleId,
      ...factColumnsOf(job),
      ended_as: job.ended?.as ?? null,
      ended_at: job.ended?.at ?? null,
      created_at: job.createdAt,
      deleted_at: job.deletedAt,
      deleted_by: job.deletedBy,
    })),
  );
  await insertRows(
    into,
    'opening',
    jobs.flatMap(({ id: jobId, openings }) =>
      openings.map(({ id, version, record }, position) => ({
        id,
        job_id: jobId,
        position,
        version,
        record: toStored('opening', record),
      })),
    ),
  );
  const choices = jobs.flatMap(({ openings }) =>
    openings.flatMap(({ id, choice }) => {
      if (!choice) return [];
      const { verdictWhenChosen, snapshot, ...rest } = choice;
      return [{ openingId: id, choice: rest, verdictWhenChosen, snapshot }];
    }),
  );
  for (let at = 0; at < choices.length; at += ROWS) await new ChoicesStore(into).save(choices.slice(at, at + ROWS));
}

async function insertHistory(into: EntityManager, history: ShopFile['history']): Promise<void> {
  await insertRows(
    into,
    'change',
    history.map((change) => ({
      id: change.id,
      at: change.at,
      batch: change.batch,
      person_id: change.personId,
      person_name: change.personName,
      device_name: change.deviceName,
      kind: change.kind,
      record_id: change.recordId,
      job_id: change.jobId,
      label: change.label,
      action: change.action,
      version: change.version,
      before: keptState(change.kind, change.before),
      after: keptState(change.kind, change.after),
      undoes: change.undoes,
    })),
  );
}

/** A state that is not of today's form was taken out as it was kept, and is kept so again. */
function keptState(kind: RecordKind, state: unknown): unknown {
  const read = readStored(kind, state);
  return read.ok ? toStored(kind, read.value as object) : state;
}
