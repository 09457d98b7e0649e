/** Fills a new database with the demo shop, whole or not at all. */

import type { ListedTemplate } from '@low-quarry/core/contracts/vehicles';
import type { PartsFile } from '@low-quarry/core/formats';
import { jobFactsOf, type Panel, type ShopSettings } from '@low-quarry/core/model';
import { jobSteps } from '@low-quarry/core/plan';
import { arrivalDay, dayAfter } from '@low-quarry/core/week';
import type { DataSource, EntityManager } from 'typeorm';
import { createChoicesService } from '../features/choices/choicesRoutes';
import { History, programAuthor } from '../features/history/History';
import { JobsStore } from '../features/jobs/JobsStore';
import { createJobsService } from '../features/jobs/jobsRoutes';
import { noteNewJob } from '../features/jobs/noteJob';
import { PartsImport } from '../features/library/PartsImport';
import { PartsStore } from '../features/library/PartsStore';
import { STARTER_PACK } from '../features/library/readGoods';
import { OpeningsStore } from '../features/openings/OpeningsStore';
import { PeopleStore } from '../features/people/PeopleStore';
import { hashSecret } from '../features/people/secrets';
import { pictureOfDrawing } from '../features/photos/cleanPicture';
import { PhotosService } from '../features/photos/PhotosService';
import type { PictureFiles } from '../features/photos/PictureFiles';
import { SettingsStore } from '../features/settings/SettingsStore';
import { VehiclesService } from '../features/vehicles/VehiclesService';
import { VehiclesStore } from '../features/vehicles/VehiclesStore';
import { type DemoJob, readDemoFiles, readDemoPeople, readDemoTrade } from './demoFiles';

export type Identity = { readonly now: () => Date; readonly newId: () => string };

/** Every table but the list of migrations. */
const EVERYTHING = [
  'change',
  'import_part',
  'done_once',
  'work',
  'attempt',
  'session',
  'device',
  'photo',
  'shelf_lot',
  'choice',
  'opening',
  'job',
  'vehicle',
  'part',
  'part_gone',
  'connector',
  'person',
  'shop',
];

/** Where the demo shop is, and what else it is made of. */
export type Demo = {
  readonly dir: string;
  /** The goods that any shop begins with, where all that the trade has comes along; null for what the shop is about alone. */
  readonly goods: PartsFile | null;
  /** Bodies that the program comes with. */
  readonly templates: readonly ListedTemplate[];
  /** null where no folder for them is set: then the demo has no photos. */
  readonly pictures: PictureFiles | null;
};

export async function loadDemo(db: DataSource, demo: Demo, identity: Identity): Promise<void> {
  const files = await filesOf(demo);
  await db.transaction((manager) => fill(manager, files, identity, demo));
}

async function filesOf({ dir, goods }: Demo) {
  return { ...(await readDemoFiles(dir)), trade: goods === null ? null : await readDemoTrade(dir) };
}

/** A demo shop from before there were people gets them. */
export async function addDemoPeople(db: DataSource, demoDir: string, identity: Identity): Promise<void> {
  const people = await readDemoPeople(demoDir);
  await db.transaction(async (manager) => {
    if ((await new PeopleStore(manager).count()) === 0) await insertPeople(manager, people, identity);
  });
}

/**
 * Throws everything in the database away and loads the demo shop again, in one transaction.
 *
 * @param db as the database's owner
 */
export async function resetDemo(db: DataSource, demo: Demo, identity: Identity): Promise<void> {
  const files = await filesOf(demo);
  await db.transaction(async (manager) => {
    await manager.query('ALTER TABLE "change" DISABLE TRIGGER "changes_are_kept"');
    await manager.query(`TRUNCATE ${EVERYTHING.map((table) => `"${table}"`).join(', ')} RESTART IDENTITY`);
    await manager.query('ALTER TABLE "change" ENABLE TRIGGER "changes_are_kept"');
    await fill(manager, files, identity, demo);
  });
}

async function fill(
  manager: EntityManager,
  files: Awaited<ReturnType<typeof filesOf>>,
  identity: Identity,
  { goods, pictures, templates }: Demo,
): Promise<void> {
  await new SettingsStore(manager).insert(files.shop, { isDemo: true });
  await insertPeople(manager, files.people, identity);
  const parts = new PartsStore(manager);
  await parts.saveConnectors(files.connectors);
  await parts.saveParts(files.parts);
  await new VehiclesStore(manager).save(files.vehicles);
  await addVariants(manager, files.variants, templates, identity);
  for (const job of files.jobs) await insertJob(manager, job, files, identity);
  if (files.trade) {
    const history = new History(manager, programAuthor('The demo shop'), identity.now(), identity.newId());
    const packs = new PartsImport(manager, history);
    const wish = { tryOut: false, mayReplace: true };
    if (goods) await packs.bringIn(STARTER_PACK, goods, identity.newId(), wish);
    await packs.bringIn('What the trade has', files.trade, identity.newId(), wish);
  }
  if (pictures) await insertPhotos(manager, files.photos, pictures, identity);
}

async function insertPeople(
  manager: EntityManager,
  people: Awaited<ReturnType<typeof readDemoPeople>>,
  { newId }: Identity,
): Promise<void> {
  const store = new PeopleStore(manager);
  for (const { name, roles, password, pin } of people) {
    const [passwordHash, pinHash] = [await hashSecret(password), await hashSecret(pin)];
    await store.insert({ id: newId(), name, roles, passwordHash, pinHash });
  }
}

/** As somebody at the counter adds them: from a body, or from another trim with what a trim changes set back. */
async function addVariants(
  manager: EntityManager,
  variants: Awaited<ReturnType<typeof readDemoFiles>>['variants'],
  templates: readonly ListedTemplate[],
  { now, newId }: Identity,
): Promise<void> {
  const history = new History(manager, programAuthor('The demo shop'), now(), newId());
  const vehicles = new VehiclesService(manager, history, { personId: '', roles: ['owner'] }, templates);
  for (const variant of variants) await vehicles.add(variant, newId());
}

async function insertJob(
  manager: EntityManager,
  { openings, vehicleId, dueInDays, bookedIn, done, ...job }: DemoJob,
  { vehicles, shop }: Pick<Awaited<ReturnType<typeof readDemoFiles>>, 'vehicles' | 'shop'>,
  { now, newId }: Identity,
): Promise<void> {
  const vehicle = vehicles.find(({ id }) => id === vehicleId);
  if (!vehicle) throw new Error(`demo/jobs.json: "${vehicleId}" is not in demo/vehicles.json`);
  const found = vehicle.openings.map((known) => ({
    id: newId(),
    known,
    here: openings.find(({ place, side }) => place === known.place && side === known.side),
  }));
  const jobId = newId();
  const today = now().toISOString().slice(0, 10);
  const dueOn = dueInDays === null ? null : dayAfter(today, dueInDays);
  const booked = bookedIn.map(({ workingDays, ...booking }) => ({
    key: newId(),
    // Where the shop is closed today, its first day is the next one that it is open on.
    day: arrivalDay(dayAfter(today, -1), workingDays + 1, shop.workingHours),
    ...booking,
  }));
  const newJob = { id: jobId, vehicleId, ...job, dueOn, booked };
  await new JobsStore(manager).insert(newJob);
  const records = found.map(({ id, known, here }) => ({
    id,
    record: {
      ...known,
      wiring: here?.wiring ?? known.wiring,
      polarity: here?.polarity ?? known.polarity,
      oldSpeaker: here?.oldSpeaker ?? known.oldSpeaker,
      secondPlug: here?.secondPlug ?? known.secondPlug,
      obstaclesLooked: here?.obstaclesLooked ?? known.obstaclesLooked,
      note: here?.note ?? known.note,
      earlier: here?.earlier ?? known.earlier,
      dimensions: { ...known.dimensions, ...here?.dimensions },
    },
  }));
  await new OpeningsStore(manager).insert(jobId, records);
  const history = new History(manager, programAuthor('The demo shop'), now(), newId());
  await noteNewJob(history, newJob, records);
  const choices = found.flatMap(({ id, here }) =>
    here?.choice ? [{ openingId: id, ...here.choice, works: [], answers: [], earlierReason: null }] : [],
  );
  if (choices.length === 0) return;
  await createChoicesService(manager, history, ['owner']).keep(jobId, choices);
  if (done) await tick(manager, jobId, done, { panels: vehicle.panels, shop, newId, history });
}

/** As somebody in the bay ticks them, one after the other. */
async function tick(
  manager: EntityManager,
  jobId: string,
  { by, at, share, found }: NonNullable<DemoJob['done']>,
  {
    panels,
    shop,
    newId,
    history,
  }: {
    readonly panels: readonly Panel[];
    readonly shop: ShopSettings;
    readonly newId: () => string;
    readonly history: History;
  },
): Promise<void> {
  const jobs = createJobsService(manager);
  const { job, openings } = await jobs.get(jobId);
  const steps = jobSteps(job, openings, panels, shop);
  const ticked = steps.slice(0, Math.floor(share * steps.length));
  const last = ticked.at(-1)?.id ?? '';
  const marks = ticked.map(({ id, print, counts, needsSecond }) => {
    const counted = counts && { pieces: counts.count, broken: 0, replaced: 0 };
    const seconded = needsSecond ? { seconded: { by: 'Rieke', at } } : {};
    return [id, { state: 'done' as const, by, at, print, ...(counted ? { counted } : {}), ...seconded }] as const;
  });
  const bay = {
    steps: Object.fromEntries(marks),
    found: found.map((each) => ({ ...each, key: newId(), step: last, by, at })),
  };
  await jobs.changeWhereNeeded(job, { ...jobFactsOf(job), bay, ended: null }, history, true);
}

/** Drawn for the demo: no real car is in them. */
async function insertPhotos(
  manager: EntityManager,
  photos: Awaited<ReturnType<typeof readDemoFiles>>['photos'],
  pictures: PictureFiles,
  { now, newId }: Identity,
): Promise<void> {
  const history = new History(manager, programAuthor('The demo shop'), now(), newId());
  const service = new PhotosService(manager, history);
  for (const { drawing, registration, place, side, within, caption, marks } of photos) {
    const [found] = await manager.query(
      `SELECT "job"."id" AS "jobId", "opening"."id" AS "openingId" FROM "job"
        LEFT JOIN "opening" ON "opening"."job_id" = "job"."id" AND "opening"."record" ->> 'place' = $2
          AND "opening"."record" ->> 'side' = $3 WHERE "job"."registration" = $1`,
      [registration, place, side],
    );
    const recordId = found?.[place === null ? 'jobId' : 'openingId'];
    if (!recordId) throw new Error(`demo/photos.json: "${registration}" has no such place in demo/jobs.json`);
    const { hash } = await pictures.take(await pictureOfDrawing(drawing));
    const of = place === null ? 'job' : 'opening';
    await service.insert(newId(), { caption, marks, place: within, of, recordId, hash }, pictures);
  }
}
