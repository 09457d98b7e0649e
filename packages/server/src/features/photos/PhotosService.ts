/** Adds photos to records, changes what is written on them, and takes them off again. */

import { BIN_DAYS } from '@low-quarry/core/contracts/jobs';
import type { Photo } from '@low-quarry/core/contracts/photos';
import {
  isOfBaseline,
  MOST_PHOTOS,
  type PhotoNotes,
  type PhotoState,
  type PhotoSubject,
  photoLabel,
} from '@low-quarry/core/model';
import type { EntityManager } from 'typeorm';
import { AppError, notFound, refused, versionConflict } from '../../http/AppError';
import type { History } from '../history/History';
import { JobsStore } from '../jobs/JobsStore';
import { PartsStore } from '../library/PartsStore';
import { OpeningsStore } from '../openings/OpeningsStore';
import { VehiclesStore } from '../vehicles/VehiclesStore';
import { PhotosStore } from './PhotosStore';
import type { PictureFiles } from './PictureFiles';

const DAY_MS = 86_400_000;

export class PhotosService {
  private readonly photos: PhotosStore;

  constructor(
    private readonly manager: EntityManager,
    private readonly history: History,
  ) {
    this.photos = new PhotosStore(manager);
  }

  async add(id: string, state: PhotoState, pictures: PictureFiles): Promise<Photo> {
    await this.requireUnsigned(state, await this.jobOf(state));
    if ((await this.photos.count(state)) >= MOST_PHOTOS) {
      const message = `${MOST_PHOTOS} photos are there, as many as a record may have: take one off first.`;
      throw refused(message, [{ path: 'recordId', message }]);
    }
    return this.insert(id, state, pictures);
  }

  /** As `add`, of a shop that is loaded whole: what is signed in it was signed for with its photos. */
  async insert(id: string, state: PhotoState, pictures: PictureFiles): Promise<Photo> {
    const jobId = await this.jobOf(state);
    const picture = await pictures.find(state.hash);
    if (!picture) {
      const message = 'The picture is not there (or was damaged on the disk): send it again.';
      throw refused(message, [{ path: 'hash', message }]);
    }
    const { authorName: addedBy, now: addedAt } = this.history;
    await this.photos.insert({ ...state, ...picture, id, jobId, addedAt, addedBy });
    const photo = await this.require(id);
    await this.note('created', null, photo);
    return photo;
  }

  async change(id: string, version: number, notes: PhotoNotes): Promise<Photo> {
    const before = await this.require(id);
    await this.requireUnsigned(before, before.jobId);
    if (before.version !== version || !(await this.photos.change(id, version, notes)))
      throw versionConflict('this photo', await this.require(id));
    const after = await this.require(id);
    await this.note('changed', before, after);
    return after;
  }

  async remove(id: string, version: number): Promise<void> {
    const before = await this.require(id);
    await this.requireUnsigned(before, before.jobId);
    if (before.version !== version || !(await this.photos.remove(id, version, this.history.now)))
      throw versionConflict('this photo', await this.require(id));
    await this.note('deleted', before, null);
  }

  /** As `state` says; null: off its record. */
  async bringBack(id: string, state: PhotoState | null): Promise<void> {
    const here = await this.photos.find(id);
    if (state === null) return here ? this.remove(id, here.version) : undefined;
    if (here) {
      await this.change(id, here.version, { caption: state.caption, marks: state.marks });
      return;
    }
    const removed = await this.photos.find(id, 'removed');
    if (!removed) {
      const message = 'That photo is gone for good: it was taken off its record too long ago.';
      throw refused(message, [{ path: 'to', message }]);
    }
    await this.requireUnsigned(removed, removed.jobId);
    if (!(await this.photos.putBack(id, removed.version, state))) throw versionConflict('this photo', null);
    await this.note('broughtBack', null, await this.require(id));
  }

  /** Takes photos that were taken off longer ago than the bin keeps things away for good. */
  async purgeRemoved(): Promise<void> {
    const over = await this.photos.listRemovedBefore(new Date(this.history.now.getTime() - BIN_DAYS * DAY_MS));
    for (const photo of over) {
      await this.note('purged', photo, null);
      await this.photos.purge(photo.id);
    }
  }

  private async require(id: string): Promise<Photo> {
    const photo = await this.photos.find(id);
    if (!photo) throw notFound('photo');
    return photo;
  }

  /** @returns the job that the record belongs to; null for the library's. @throws AppError where there is no such record */
  private async jobOf({ of, recordId }: PhotoSubject): Promise<string | null> {
    switch (of) {
      case 'job':
        if (await new JobsStore(this.manager).find(recordId)) return recordId;
        break;
      case 'opening': {
        const opening = await new OpeningsStore(this.manager).find(recordId);
        if (opening) return opening.jobId;
        break;
      }
      case 'vehicle':
        if (await new VehiclesStore(this.manager).find(recordId)) return null;
        break;
      case 'part':
        if (await new PartsStore(this.manager).findPart(recordId)) return null;
        break;
    }
    throw notFound(of);
  }

  /** Who signed for how the car came in, signed for its photos. */
  private async requireUnsigned(subject: Pick<PhotoSubject, 'of' | 'place'>, jobId: string | null): Promise<void> {
    if (!isOfBaseline(subject) || jobId === null) return;
    const signed = (await new JobsStore(this.manager).find(jobId))?.baseline.signed ?? null;
    if (signed === null) return;
    throw new AppError(
      422,
      'refused',
      'Not possible',
      `${signed.by} signed for how the car came in on ${signed.at.slice(0, 10)}, and its photos stay as they were. Add this one to the job itself, or the owner takes the signature off.`,
    );
  }

  private note(
    action: 'created' | 'changed' | 'deleted' | 'broughtBack' | 'purged',
    before: Photo | null,
    after: Photo | null,
  ): Promise<number> {
    const photo = (after ?? before) as Photo;
    return this.history.note({
      kind: 'photo',
      recordId: photo.id,
      jobId: photo.jobId,
      label: photoLabel(photo),
      action,
      version: after?.version ?? photo.version + 1,
      before: before && stateOf(before),
      after: after && stateOf(after),
    });
  }
}

function stateOf({ of, recordId, place, hash, caption, marks }: Photo): PhotoState {
  return { of, recordId, place, hash, caption, marks };
}
