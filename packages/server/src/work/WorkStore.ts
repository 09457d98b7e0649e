/** Pieces of work in the database, as people see them. */
import type { Work, WorkKind } from '@low-quarry/core/contracts/work';
import { type DataSource, type EntityManager, In } from 'typeorm';
import { WorkEntity, type WorkRow } from './WorkEntity';

const OPEN = ['waiting', 'running'] as const;

export class WorkStore {
  constructor(private readonly manager: EntityManager) {}

  /** For what is done outside any request, and so outside any transaction. */
  static on(db: DataSource): WorkStore {
    return new WorkStore(db.manager);
  }

  async list(most: number): Promise<Work[]> {
    const rows = await this.manager.find(WorkEntity, { order: { number: 'DESC' }, take: most });
    return rows.map(toWork);
  }

  async find(id: string): Promise<Work | null> {
    const row = await this.manager.findOneBy(WorkEntity, { id });
    return row && toWork(row);
  }

  async findOpen(kind: WorkKind): Promise<Work | null> {
    const row = await this.manager.findOneBy(WorkEntity, { kind, state: In(OPEN) });
    return row && toWork(row);
  }

  /** By what they are about. */
  async findAbout(ids: readonly string[]): Promise<ReadonlyMap<string, Work>> {
    const rows = await this.manager.find(WorkEntity, { where: { about: In([...ids]) }, order: { number: 'ASC' } });
    return new Map(rows.map((row) => [row.about as string, toWork(row)]));
  }

  async aboutOf(id: string): Promise<string | null> {
    return (await this.manager.findOneBy(WorkEntity, { id }))?.about ?? null;
  }

  /** The last one of a kind that was asked for; null where none was yet. */
  async last(kind: WorkKind): Promise<Work | null> {
    const [row] = await this.manager.find(WorkEntity, { where: { kind }, order: { number: 'DESC' }, take: 1 });
    return row ? toWork(row) : null;
  }

  listOpen(): Promise<readonly WorkRow[]> {
    return this.manager.findBy(WorkEntity, { state: In(OPEN) });
  }

  async add(
    id: string,
    {
      kind,
      about,
      askedBy,
    }: { readonly kind: WorkKind; readonly about: string | null; readonly askedBy: string | null },
    at: Date,
  ): Promise<void> {
    await this.manager.insert(WorkEntity, { id, kind, about, asked_by: askedBy, asked_at: at, state: 'waiting' });
  }

  /** Tells whether it is there to be done: what was stopped meanwhile is not. */
  async begin(id: string, at: Date): Promise<boolean> {
    const { affected } = await this.manager
      .createQueryBuilder()
      .update(WorkEntity)
      .set({
        state: 'running',
        tries: () => `"tries" + 1`,
        started_at: at,
        next_try_at: null,
        step: '',
        share: null,
      })
      .where({ id, state: In(OPEN), is_stopping: false })
      .execute();
    return affected === 1;
  }

  async say(id: string, step: string, share: number | null): Promise<void> {
    await this.manager.update(WorkEntity, { id, state: 'running' }, { step, share });
  }

  async askToStop(id: string): Promise<void> {
    await this.manager.update(WorkEntity, { id, state: 'running' }, { is_stopping: true });
  }

  /** @param endedWith what came of it, or why it failed */
  async end(id: string, state: 'done' | 'failed' | 'stopped', endedWith: string | null, at: Date): Promise<void> {
    const told = state === 'failed' ? { fault: endedWith } : { result: endedWith };
    await this.manager.update(
      WorkEntity,
      { id, state: In(OPEN) },
      { state, ended_at: at, next_try_at: null, ...(state === 'done' ? { fault: null, share: 1 } : {}), ...told },
    );
  }

  /** Back among what waits. */
  async wait(id: string, fault: string, nextTryAt: Date): Promise<void> {
    await this.manager.update(
      WorkEntity,
      { id, state: 'running' },
      { state: 'waiting', fault, next_try_at: nextTryAt },
    );
  }

  async removeEndedBefore(moment: Date): Promise<void> {
    await this.manager.query(`DELETE FROM "work" WHERE "ended_at" < $1`, [moment]);
  }
}

function toWork(row: WorkRow): Work {
  return {
    id: row.id,
    kind: row.kind,
    askedBy: row.asked_by,
    askedAt: row.asked_at.toISOString(),
    state: row.state,
    isStopping: row.is_stopping,
    step: row.step,
    share: row.share,
    tries: row.tries,
    startedAt: row.started_at?.toISOString() ?? null,
    endedAt: row.ended_at?.toISOString() ?? null,
    nextTryAt: row.next_try_at?.toISOString() ?? null,
    fault: row.fault,
    result: row.result,
  };
}
