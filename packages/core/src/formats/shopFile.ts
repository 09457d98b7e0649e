/**
 * The whole shop as one open file: settings, people (without anything that would let anybody sign in), library, jobs with
 * their openings and choices, and the history. What goes out comes in again equal, with its numbers, ids and versions.
 *
 * Version 1 said nothing of the versions of settings, parts and vehicles; they follow from its history.
 */
import { z } from 'zod';
import { connectorSchema, namedConnectors, orderedId, partSchema } from '../catalogue';
import { changeSchema } from '../contracts/history';
import { verdictSchema } from '../contracts/jobs';
import { choiceSchema } from '../contracts/openings';
import { photoSchema } from '../contracts/photos';
import { shelfLotSchema } from '../contracts/shelf';
import { ringThicknessMm } from '../fit';
import {
  jobEndedSchema,
  jobFactsSchema,
  openingRecordSchema,
  pictureHashSchema,
  rolesSchema,
  settingsSchema,
  vehicleSchema,
  withLayerIds,
} from '../model';
import { withAnswers } from '../order';
import { snapshotSchema } from '../records';
import { asToday } from './asToday';

const partToday = z.preprocess(asToday('part'), partSchema);

const jobSchema = z.strictObject({
  id: z.uuid(),
  number: z.int().positive(),
  version: z.int().positive(),
  vehicleId: z.string(),
  ...jobFactsSchema.shape,
  ended: jobEndedSchema.nullable().default(null),
  createdAt: z.iso.datetime(),
  deletedAt: z.iso.datetime().nullable(),
  deletedBy: z.string().nullable(),
  openings: z.array(
    z.strictObject({
      id: z.uuid(),
      version: z.int().positive(),
      record: openingRecordSchema,
      choice: z.preprocess(
        (choice) => withAnswers(withLayerIds(choice)),
        choiceSchema
          .extend({
            verdictWhenChosen: verdictSchema,
            snapshot: snapshotSchema.extend({ parts: z.array(partToday) }).nullable(),
          })
          .nullable(),
      ),
    }),
  ),
});

export const shopFileSchema = z.strictObject({
  format: z.literal('shop'),
  version: z.literal(2),
  settings: settingsSchema,
  /** How often the settings, a part, a vehicle were changed; what was not is left out. */
  versions: z.strictObject({
    settings: z.int().positive(),
    parts: z.record(z.string(), z.int().positive()),
    vehicles: z.record(z.string(), z.int().positive()),
  }),
  people: z.array(
    z.strictObject({
      id: z.uuid(),
      version: z.int().positive(),
      name: z.string(),
      roles: rolesSchema,
      active: z.boolean(),
    }),
  ),
  connectors: z.array(connectorSchema),
  parts: z.array(partToday),
  vehicles: z.array(z.preprocess(asToday('vehicle'), vehicleSchema)),
  jobs: z.array(jobSchema),
  history: z.array(changeSchema.extend({ batch: z.uuid() })),
  /** What stands behind the history's lines of parts packs, part by part. */
  imports: z
    .array(
      z.strictObject({
        importId: z.uuid(),
        importVersion: z.int().positive(),
        partId: z.string(),
        version: z.int().positive(),
        before: z.unknown(),
        after: z.unknown(),
      }),
    )
    .default([]),
  photos: z.array(photoSchema.extend({ bytes: z.int().min(1) })).default([]),
  /** What lies on the shelf. */
  shelf: z.array(shelfLotSchema).default([]),
  /** Each JPEG by the SHA-256 of its bytes; one that a photo names and that is not here was not on the disk any more. */
  pictures: z.array(z.strictObject({ hash: pictureHashSchema, base64: z.string() })).default([]),
});
export type ShopFile = z.infer<typeof shopFileSchema>;

/** Brings a file of an earlier version to today's form; what is no such file stays as it is, for the schema to refuse. */
export function upgradeShopFile(json: unknown): unknown {
  const isVersion1 = z.looseObject({ format: z.literal('shop'), version: z.literal(1), history: z.array(z.unknown()) });
  const file = isVersion1.safeParse(json);
  if (!file.success) return json;
  return { ...file.data, version: 2, versions: versionsIn(file.data.history) };
}

function versionsIn(history: readonly unknown[]): ShopFile['versions'] {
  const line = z.looseObject({ kind: z.string(), recordId: z.string(), version: z.int().positive() });
  const versions: ShopFile['versions'] = { settings: 1, parts: {}, vehicles: {} };
  for (const each of history) {
    const { data } = line.safeParse(each);
    if (!data) continue;
    const { kind, recordId, version } = data;
    if (kind === 'settings') versions.settings = Math.max(versions.settings, version);
    const of = kind === 'part' ? versions.parts : kind === 'vehicle' ? versions.vehicles : null;
    if (of) of[recordId] = Math.max(of[recordId] ?? 1, version);
  }
  return versions;
}

export type BrokenReference = { readonly path: string; readonly message: string };

/**
 * What in a file refers to something that is not in it, or is there twice. A ring that is cut from sheet is no part: one that
 * the shop no longer cuts is shown where it is chosen.
 */
export function brokenReferences(file: ShopFile): readonly BrokenReference[] {
  const found: BrokenReference[] = [];
  const parts = new Map(file.parts.map((part) => [part.id, part.kind]));
  const vehicles = new Set(file.vehicles.map(({ id }) => id));
  const require = (path: string, isThere: boolean, message: string) => {
    if (!isThere) found.push({ path, message });
  };
  const once = (path: string, keys: readonly (string | number)[]) => {
    const seen = new Set<string | number>();
    for (const [at, key] of keys.entries()) {
      require(`${path}.${at}`, !seen.has(key), `"${key}" is there twice.`);
      seen.add(key);
    }
  };
  once(
    'people',
    file.people.map(({ id }) => id),
  );
  once(
    'parts',
    file.parts.map(({ id }) => id),
  );
  once(
    'connectors',
    file.connectors.map(({ id }) => id),
  );
  once(
    'vehicles',
    file.vehicles.map(({ id }) => id),
  );
  once(
    'jobs',
    file.jobs.map(({ id }) => id),
  );
  once(
    'jobs',
    file.jobs.map(({ number }) => number),
  );
  once(
    'history',
    file.history.map(({ id }) => id),
  );
  once(
    'photos',
    file.photos.map(({ id }) => id),
  );
  once(
    'shelf',
    file.shelf.map(({ id }) => id),
  );
  once(
    'shelf',
    file.shelf.map(({ number }) => number),
  );
  const jobs = new Set(file.jobs.map(({ id }) => id));
  for (const [at, { partId, jobId }] of file.shelf.entries()) {
    require(`shelf.${at}.partId`, parts.has(partId), `"${partId}" is not a part of the file.`);
    require(`shelf.${at}.jobId`, jobId === null || jobs.has(jobId), `"${jobId}" is not a job of the file.`);
  }
  for (const [at, { of, jobId }] of file.photos.entries()) {
    const isOfJob = of === 'job' || of === 'opening';
    const isFound = jobId === null ? !isOfJob : isOfJob && jobs.has(jobId);
    require(`photos.${at}.jobId`, isFound, `"${jobId}" is not the job of the file that a photo of ${of === 'opening' ? 'an' : 'a'} ${of} belongs to.`);
  }
  const lines = new Set(file.history.map(({ id }) => id));
  for (const [at, { undoes }] of file.history.entries()) {
    require(`history.${at}.undoes`, undoes === null || lines.has(undoes), `Line ${undoes} is not in the file.`);
  }
  const connectors = new Set(file.connectors.map(({ id }) => id));
  const connected = (path: string, id: string) =>
    require(path, connectors.has(id), `"${id}" is not a connector of the file.`);
  for (const [at, part] of file.parts.entries())
    for (const { field, id } of namedConnectors(part)) connected(`parts.${at}.${field}`, id);
  for (const [at, { openings }] of file.vehicles.entries()) {
    for (const [place, { wiring }] of openings.entries())
      if (wiring.kind === 'connector') connected(`vehicles.${at}.openings.${place}.wiring`, wiring.connectorId);
  }
  for (const [at, job] of file.jobs.entries()) {
    const { vehicleId } = job;
    require(`jobs.${at}.vehicleId`, vehicles.has(vehicleId), `"${vehicleId}" is not a vehicle of the file.`);
    for (const [place, { record, choice }] of job.openings.entries()) {
      if (record.wiring.kind === 'connector')
        connected(`jobs.${at}.openings.${place}.record.wiring`, record.wiring.connectorId);
      if (!choice) continue;
      const path = `jobs.${at}.openings.${place}.choice`;
      const isA = (kind: string, id: string) => parts.get(orderedId(id)) === kind;
      const { speakerId, layerIds } = choice;
      require(`${path}.speakerId`, isA('speaker', speakerId), `"${speakerId}" is not a speaker of the file.`);
      for (const [index, id] of layerIds.entries()) {
        const isFound = isA('bracket', id) || isA('spacer', id) || ringThicknessMm(id) !== null;
        require(`${path}.layerIds.${index}`, isFound, `"${id}" is no bracket or spacer of the file.`);
      }
    }
  }
  return found;
}
