/**
 * Brings an earlier state back, as a new change through the same service that any change goes through: nothing that a
 * person may not do, or that makes no sense any more, comes in by way of the history.
 */
import type { Change } from '@low-quarry/core/contracts/history';
import type { JobState } from '@low-quarry/core/model';
import { mayDo } from '@low-quarry/core/model';
import { RECORDS, readStored, type Stored, type StoredKind } from '@low-quarry/core/records';
import type { EntityManager } from 'typeorm';
import type { Actor } from '../../http/Actor';
import { AppError, notFound, refused } from '../../http/AppError';
import { requirePasswordFor } from '../../http/guard';
import { createChoicesService } from '../choices/choicesRoutes';
import { JobsStore } from '../jobs/JobsStore';
import { createJobsService } from '../jobs/jobsRoutes';
import { LibraryService } from '../library/LibraryService';
import { PartsImport } from '../library/PartsImport';
import { createOpeningsService } from '../openings/openingsRoutes';
import { PeopleService } from '../people/PeopleService';
import { PhotosService } from '../photos/PhotosService';
import { SettingsService } from '../settings/SettingsService';
import { SettingsStore } from '../settings/SettingsStore';
import { ShelfService } from '../shelf/ShelfService';
import { VehiclesService } from '../vehicles/VehiclesService';
import type { History } from './History';
import { HistoryStore } from './HistoryStore';
import { maySee } from './maySee';

const HOUR_MS = 3_600_000;
/** Older than a working day, it is looked up in the history. */
const UNDO_MS = 12 * HOUR_MS;

export class HistoryService {
  private readonly store: HistoryStore;

  constructor(
    private readonly manager: EntityManager,
    private readonly history: History,
  ) {
    this.store = new HistoryStore(manager);
  }

  /** @returns the new change */
  async bringBack(changeId: number, to: 'before' | 'after', actor: Actor): Promise<number> {
    const change = await this.store.find(changeId);
    if (!change || !maySee(change.kind, actor.roles)) throw notFound('change');
    await this.apply(change, to === 'before' ? change.before : change.after, actor);
    return this.latestOf(change);
  }

  listUndoable({ personId }: Actor): Promise<readonly Change[]> {
    return this.store.lastUndoable(personId, new Date(this.history.now.getTime() - UNDO_MS));
  }

  /**
   * Takes the person's last action back, if it is still the one they saw, and nobody has changed the same records since.
   */
  async undo(changeIds: readonly number[], actor: Actor): Promise<number> {
    const changes = await this.listUndoable(actor);
    if (changes.length !== changeIds.length || changes.some(({ id }) => !changeIds.includes(id))) {
      throw new AppError(
        409,
        'undo-changed',
        'Something else was done since',
        'Your last action is another one by now.',
      );
    }
    for (const change of changes) {
      if (await this.store.isOvertaken(change)) throw overtaken(change);
    }
    const isNewJob = changes.some(({ kind, action }) => kind === 'job' && action === 'created');
    for (const change of changes) {
      // The openings of a new job go into the bin with it; a vehicle that came into the library with it stays there.
      if (isNewJob && change.action === 'created' && change.kind !== 'job') continue;
      await this.history.undoing(change.id, () => this.apply(change, change.before, actor, 'own'));
    }
    return changes.length;
  }

  private async latestOf({ kind, recordId }: Change): Promise<number> {
    const [latest] = await this.store.list({ kind, record: recordId }, 1);
    return latest?.id ?? 0;
  }

  /** Makes the record what `state` says; null: not there. */
  private async apply(change: Change, state: unknown, actor: Actor, whose: 'own' | 'any' = 'any'): Promise<void> {
    const { kind, recordId, jobId, label } = change;
    // Whoever may add a place to a car may also take it off, without the right to measure.
    const isPlace = kind === 'opening' && (change.before === null || change.after === null);
    // And whoever may bring new parts in may take their own pack back.
    const isOwnPack = kind === 'partsImport' && whose === 'own';
    const changedBy = isPlace ? 'openings' : isOwnPack ? 'parts' : RECORDS[kind].changedBy;
    if (!mayDo(changedBy, actor.roles)) {
      throw new AppError(403, 'not-allowed', 'Not allowed', `Changing "${label}" is for somebody with another role.`);
    }
    requirePasswordFor(changedBy, actor);
    const { manager, history } = this;
    switch (kind) {
      case 'opening': {
        const openings = createOpeningsService(manager);
        if (state === null) await openings.remove(recordId, await openings.versionOf(recordId), history);
        else await openings.bringBack(recordId, jobId ?? '', required('opening', state), history);
        return;
      }
      case 'job':
        return this.applyJob(recordId, state === null ? null : required('job', state), actor);
      case 'choice': {
        const choices = createChoicesService(manager, history, actor.roles);
        if (state === null) await choices.remove(recordId);
        else {
          const { speakerId, layerIds, works, answers: known, earlierReason } = required('choice', state);
          const answers = known.map(({ by: _by, at: _at, found: _found, ...answer }) => answer);
          const parts = { speakerId, layerIds: [...layerIds], works: [...works] };
          const choice = { openingId: recordId, ...parts, answers, earlierReason };
          await choices.keep(jobId ?? '', [choice], known);
        }
        return;
      }
      case 'settings': {
        if (state === null) throw cannot('a shop has settings');
        const { version } = await new SettingsStore(manager).getWithVersion();
        await new SettingsService(manager, history).change(version, required('settings', state));
        return;
      }
      case 'person': {
        if (state === null) throw cannot('a person is not taken out; they stop working here');
        const people = new PeopleService(manager, history);
        const { name, roles: theirs, active } = required('person', state);
        const { version } = await people.get(recordId);
        await people.change(recordId, { version, name, roles: theirs, active });
        return;
      }
      case 'part': {
        if (state === null) throw cannot('a part that jobs go by is not taken out');
        const library = new LibraryService(manager, history);
        await library.changePart(recordId, await library.versionOf(recordId), required('part', state));
        return;
      }
      case 'partsImport': {
        const wanted = state === null ? null : required('partsImport', state);
        return new PartsImport(manager, history).setTo(recordId, label, wanted);
      }
      case 'photo':
        return new PhotosService(manager, history).bringBack(
          recordId,
          state === null ? null : required('photo', state),
        );
      case 'shelf':
        return new ShelfService(manager, history).bringBack(recordId, state === null ? null : required('shelf', state));
      case 'vehicle': {
        // It reads no template: what is brought back is there.
        const vehicles = new VehiclesService(manager, history, actor, []);
        if (state === null) await vehicles.remove(recordId);
        else await vehicles.bringBack(required('vehicle', state));
        return;
      }
    }
  }

  private async applyJob(jobId: string, state: JobState | null, actor: Actor): Promise<void> {
    const { manager, history } = this;
    const jobs = createJobsService(manager);
    const store = new JobsStore(manager);
    const inBin = await store.findDeleted(jobId);
    if (state === null) {
      const here = await store.find(jobId);
      if (here) await jobs.delete(jobId, here.version, history);
      return;
    }
    const job = inBin ? await jobs.restore(jobId, inBin.version, history) : await store.find(jobId);
    if (!job) throw cannot('the job is gone for good');
    const { vehicleId: _, ...facts } = state;
    await jobs.changeWhereNeeded(job, facts, history, actor.roles.includes('owner'));
  }
}

/** A state of whatever form in today's. */
function required<Kind extends StoredKind>(kind: Kind, state: unknown): Stored<Kind> {
  const read = readStored(kind, state);
  if (read.ok) return read.value;
  throw cannot(`it cannot be read (${read.failure})`);
}

function overtaken({ label }: Change): AppError {
  return new AppError(
    409,
    'overtaken',
    'Changed since',
    `"${label}" was changed again since. Look at its history and bring back what you need.`,
  );
}

function cannot(why: string): AppError {
  const message = `That state cannot be brought back: ${why}.`;
  return refused(message, [{ path: 'to', message }]);
}
