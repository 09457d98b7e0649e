/** Puts parts on the shelf, counts them, puts them aside for jobs and takes them off. */
import type { ShelfLot } from '@low-quarry/core/contracts/shelf';
import { lotCode, type ShelfState } from '@low-quarry/core/model';
import type { EntityManager } from 'typeorm';
import { notFound, refused, versionConflict } from '../../http/AppError';
import type { History } from '../history/History';
import { JobsStore } from '../jobs/JobsStore';
import { type Counted, ShelfStore } from './ShelfStore';

export class ShelfService {
  private readonly lots: ShelfStore;

  constructor(
    private readonly manager: EntityManager,
    private readonly history: History,
  ) {
    this.lots = new ShelfStore(manager);
  }

  /** @param counted when and by whom; here and now unless another is said */
  async add(id: string, state: ShelfState, counted: Counted = this.here()): Promise<ShelfLot> {
    await this.requireJob(state.jobId);
    await this.labelOf(state.partId);
    await this.lots.insert(id, state, counted);
    const lot = await this.require(id);
    await this.note('created', null, lot);
    return lot;
  }

  /** What it is stays. Who saves it for the same job has counted it; who gives it to another, or back, has not. */
  async change(id: string, version: number, state: Omit<ShelfState, 'partId'>): Promise<ShelfLot> {
    const { jobId } = await this.require(id);
    return this.set(id, version, state, state.jobId === jobId ? this.here() : null);
  }

  private async set(
    id: string,
    version: number,
    state: Omit<ShelfState, 'partId'>,
    counted: Counted | null,
  ): Promise<ShelfLot> {
    const before = await this.require(id);
    if (state.jobId !== before.jobId) await this.requireJob(state.jobId);
    const wanted = { ...state, partId: before.partId };
    if (before.version !== version || !(await this.lots.change(id, version, wanted, counted)))
      throw versionConflict('this lot', await this.require(id));
    const after = await this.require(id);
    await this.note('changed', before, after);
    return after;
  }

  /**
   * @param newId of the lot that is put aside, where some of it stays
   * @returns what is put aside
   */
  async putAside(id: string, version: number, jobId: string, pieces: number, newId: string): Promise<ShelfLot> {
    const lot = await this.require(id);
    if (lot.version !== version) throw versionConflict('this lot', lot);
    if (lot.jobId !== null || pieces > lot.pieces) {
      const why = lot.jobId !== null ? 'it is put aside for a job already' : `${lot.pieces} are there`;
      const message = `${pieces} of ${lotCode(lot.number)} cannot be put aside: ${why}.`;
      throw refused(message, [{ path: 'pieces', message }]);
    }
    const { place, from, partId } = lot;
    if (pieces === lot.pieces) return this.set(id, version, { place, from, pieces, jobId }, null);
    // What is left was not counted for it, and neither was what is taken.
    await this.set(id, version, { place, from, pieces: lot.pieces - pieces, jobId: null }, null);
    const counted = { at: new Date(lot.countedAt), by: lot.countedBy };
    return this.add(newId, { partId, place, from, pieces, jobId }, counted);
  }

  async remove(id: string, version: number): Promise<void> {
    const before = await this.require(id);
    if (before.version !== version || !(await this.lots.remove(id, version, this.history.now)))
      throw versionConflict('this lot', await this.require(id));
    await this.note('deleted', before, null);
  }

  /** As `state` says; null: off the shelf. */
  async bringBack(id: string, state: ShelfState | null): Promise<void> {
    const here = await this.lots.find(id);
    if (state === null) return here ? this.remove(id, here.version) : undefined;
    // The job may be gone for good meanwhile.
    const jobId = state.jobId !== null && (await this.isJob(state.jobId)) ? state.jobId : null;
    if (here) {
      await this.set(id, here.version, { ...state, jobId }, null);
      return;
    }
    const removed = await this.lots.find(id, 'removed');
    if (!removed) {
      const message = 'That lot is gone for good, with the part it was of.';
      throw refused(message, [{ path: 'to', message }]);
    }
    const wanted = { ...state, partId: removed.partId, jobId };
    if (!(await this.lots.change(id, removed.version, wanted, null))) throw versionConflict('this lot', null);
    await this.note('broughtBack', null, await this.require(id));
  }

  /** What is put aside for a job that goes for good is free again. */
  async giveBackOf(jobId: string): Promise<void> {
    for (const { id, version, place, pieces, from } of await this.lots.listOf(jobId))
      await this.set(id, version, { place, pieces, from, jobId: null }, null);
  }

  private here(): Counted {
    return { at: this.history.now, by: this.history.authorName };
  }

  private async require(id: string): Promise<ShelfLot> {
    const lot = await this.lots.find(id);
    if (!lot) throw notFound('lot');
    return lot;
  }

  private async requireJob(jobId: string | null): Promise<void> {
    if (jobId === null || (await this.isJob(jobId))) return;
    const message = 'No such job is open: it may have been put into the bin.';
    throw refused(message, [{ path: 'jobId', message }]);
  }

  private async isJob(jobId: string): Promise<boolean> {
    return (await new JobsStore(this.manager).find(jobId)) !== null;
  }

  private async labelOf(partId: string): Promise<string> {
    const label = (await this.lots.labels([partId])).get(partId);
    if (label !== undefined) return label;
    const message = `"${partId}" is not a part of this shop.`;
    throw refused(message, [{ path: 'partId', message }]);
  }

  private async note(
    action: 'created' | 'changed' | 'deleted' | 'broughtBack',
    before: ShelfLot | null,
    after: ShelfLot | null,
  ): Promise<void> {
    const lot = (after ?? before) as ShelfLot;
    const label = `${lotCode(lot.number)}, ${await this.labelOf(lot.partId)}`;
    const version = after ? after.version : lot.version + 1;
    await this.history.note({
      kind: 'shelf',
      recordId: lot.id,
      jobId: null,
      label,
      action,
      version,
      before: before && stateOf(before),
      after: after && stateOf(after),
    });
  }
}

function stateOf({ partId, place, pieces, from, jobId }: ShelfLot): ShelfState {
  return { partId, place, pieces, from, jobId };
}
