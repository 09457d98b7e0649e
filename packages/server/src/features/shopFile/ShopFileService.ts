/** Writes the whole shop as an open file, and takes one into a shop that has nothing yet. */
import { type ShopFile, shopFileSchema } from '@low-quarry/core/formats/shopFile';
import type { EntityManager } from 'typeorm';
import { AppError, type FieldError } from '../../http/AppError';
import { ChoicesStore } from '../choices/ChoicesStore';
import { ChangeEntity } from '../history/ChangeEntity';
import { toChange } from '../history/HistoryStore';
import { JobEntity } from '../jobs/JobEntity';
import { OpeningEntity } from '../openings/OpeningEntity';
import { OpeningsStore } from '../openings/OpeningsStore';
import { PartsStore } from '../parts/PartsStore';
import { signInName } from '../people/PeopleStore';
import { PersonEntity } from '../people/PersonEntity';
import { hashSecret, newToken } from '../people/secrets';
import { ShopStore } from '../shop/ShopStore';
import { VehiclesStore } from '../vehicles/VehiclesStore';

/** So many rows go into one statement. */
const ROWS = 500;
const MOST_ERRORS = 20;

export type Imported = { jobs: number; parts: number; vehicles: number; changes: number };

export class ShopFileService {
  constructor(private readonly manager: EntityManager) {}

  async write(): Promise<ShopFile> {
    const { manager } = this;
    const parts = new PartsStore(manager);
    const people = await manager.find(PersonEntity, { order: { id: 'ASC' } });
    const changes = await manager.find(ChangeEntity, { order: { id: 'ASC' } });
    return {
      format: 'shop',
      version: 1,
      settings: await new ShopStore(manager).get(),
      people: people.map(({ id, version, name, roles, active }) => ({ id, version, name, roles, active })),
      connectors: [...(await parts.listConnectors())],
      parts: [...(await parts.listParts())],
      vehicles: [...(await new VehiclesStore(manager).list())],
      jobs: await this.listJobs(),
      history: changes.map((row) => ({ ...toChange(row), batch: row.batch })),
    };
  }

  /**
   * Takes a file into a shop without jobs and without a library. People of the file keep their names and roles and come in
   * without a password: the owner gives them one. The one who brings it in stays who they are.
   *
   * @throws AppError with the paths inside the file, or when the shop is not empty
   */
  async read(json: unknown, ownerId: string): Promise<Imported> {
    const parsed = shopFileSchema.safeParse(json);
    if (!parsed.success) {
      const errors: FieldError[] = parsed.error.issues
        .slice(0, MOST_ERRORS)
        .map(({ path, message }) => ({ path: path.join('.'), message }));
      const [first] = errors;
      throw new AppError(400, 'invalid', 'Not a shop file', `${first?.path || 'file'}: ${first?.message}`, { errors });
    }
    await this.requireEmpty();
    const file = parsed.data;
    const { manager } = this;
    const { version } = await new ShopStore(manager).getWithVersion();
    await new ShopStore(manager).replace(version, file.settings);
    await this.insertPeople(file.people, ownerId);
    const parts = new PartsStore(manager);
    if (file.connectors.length > 0) await parts.saveConnectors(file.connectors);
    if (file.parts.length > 0) await parts.saveParts(file.parts);
    if (file.vehicles.length > 0) await new VehiclesStore(manager).save(file.vehicles);
    for (const job of file.jobs) await this.insertJob(job);
    await this.insertHistory(file.history);
    return {
      jobs: file.jobs.length,
      parts: file.parts.length,
      vehicles: file.vehicles.length,
      changes: file.history.length,
    };
  }

  private async listJobs(): Promise<ShopFile['jobs']> {
    const { manager } = this;
    const jobs = await manager.find(JobEntity, { order: { number: 'ASC' } });
    const choices = new ChoicesStore(manager);
    const written: ShopFile['jobs'] = [];
    for (const job of jobs) {
      const openings = await manager.find(OpeningEntity, { where: { job_id: job.id }, order: { position: 'ASC' } });
      const chosen = await choices.listOfOpenings(openings.map(({ id }) => id));
      written.push({
        id: job.id,
        number: job.number,
        version: job.version,
        vehicleId: job.vehicle_id,
        customer: job.customer,
        registration: job.registration,
        wants: job.wants,
        dueOn: job.due_on,
        createdAt: job.created_at.toISOString(),
        deletedAt: job.deleted_at?.toISOString() ?? null,
        deletedBy: job.deleted_by,
        openings: openings.map(({ id, version, record }) => {
          const stored = chosen.get(id);
          const choice = stored
            ? { ...stored.choice, verdictWhenChosen: stored.verdictWhenChosen, snapshot: stored.snapshot }
            : null;
          return { id, version, record, choice };
        }),
      });
    }
    return written;
  }

  private async requireEmpty(): Promise<void> {
    const [found] = await this.manager.query(
      `SELECT EXISTS (SELECT 1 FROM "job") OR EXISTS (SELECT 1 FROM "part") OR EXISTS (SELECT 1 FROM "vehicle")
         OR EXISTS (SELECT 1 FROM "change") AS "full"`,
    );
    if (!found.full) return;
    throw new AppError(
      409,
      'not-empty',
      'Not a new shop',
      'A shop file comes into a new shop only, one without jobs, library and history. Nothing was changed.',
    );
  }

  private async insertPeople(people: ShopFile['people'], ownerId: string): Promise<void> {
    const owner = await this.manager.findOneByOrFail(PersonEntity, { id: ownerId });
    for (const { id, version, name, roles, active } of people) {
      // Nobody knows this password: it only keeps the door shut until the owner gives them one.
      if (signInName(name) === owner.sign_in_name) continue;
      const row = { id, version, name, sign_in_name: signInName(name), roles: [...roles], active };
      await this.manager.insert(PersonEntity, { ...row, password_hash: await hashSecret(newToken()) });
    }
  }

  private async insertJob({ openings, ...job }: ShopFile['jobs'][number]): Promise<void> {
    await this.manager.insert(JobEntity, {
      id: job.id,
      number: job.number,
      version: job.version,
      vehicle_id: job.vehicleId,
      customer: job.customer,
      registration: job.registration,
      wants: job.wants,
      due_on: job.dueOn,
      created_at: new Date(job.createdAt),
      deleted_at: job.deletedAt === null ? null : new Date(job.deletedAt),
      deleted_by: job.deletedBy,
    });
    await this.manager.query(
      `SELECT setval(pg_get_serial_sequence('job', 'number'), (SELECT max("number") FROM "job"))`,
    );
    await new OpeningsStore(this.manager).insert(job.id, openings);
    for (const { id, version } of openings) await this.manager.update(OpeningEntity, { id }, { version });
    await new ChoicesStore(this.manager).save(
      openings.flatMap(({ id, choice }) => {
        if (!choice) return [];
        const { verdictWhenChosen, snapshot, ...rest } = choice;
        return [{ openingId: id, choice: rest, verdictWhenChosen, snapshot }];
      }),
    );
  }

  private async insertHistory(history: ShopFile['history']): Promise<void> {
    for (let from = 0; from < history.length; from += ROWS) {
      await this.manager.insert(
        ChangeEntity,
        history.slice(from, from + ROWS).map((change) => ({
          id: change.id,
          at: new Date(change.at),
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
          before: change.before as object,
          after: change.after as object,
          undoes: change.undoes,
        })),
      );
    }
    await this.manager.query(
      `SELECT setval(pg_get_serial_sequence('change', 'id'), (SELECT coalesce(max("id"), 1) FROM "change"))`,
    );
  }
}
