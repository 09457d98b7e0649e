/** Lists that are brought in as pieces of work: asked for, watched and stopped by whoever asked. */
import { randomUUID } from 'node:crypto';
import type { bringList, ListAtWork, ListImported } from '@low-quarry/core/contracts/supplierLists';
import type { DataSource } from 'typeorm';
import type { z } from 'zod';
import type { Actor } from '../../http/Actor';
import { notFound } from '../../http/AppError';
import type { WorkQueue } from '../../work/WorkQueue';
import { authorOf } from '../history/History';
import { ListsStore } from './ListsStore';

/** So many are told. */
const MOST_LISTS = 5;

export class ListsAtWork {
  constructor(
    private readonly db: DataSource,
    private readonly queue: WorkQueue,
    private readonly now: () => Date,
  ) {}

  async bring({ base64, ...asked }: z.output<typeof bringList.body>, actor: Actor): Promise<string> {
    const id = randomUUID();
    const list = { id, at: this.now(), author: authorOf(actor), file: Buffer.from(base64, 'base64') };
    await this.queue.ask('list', actor.name, id, (manager) =>
      new ListsStore(manager).add({ ...list, asked: { ...asked, tryOut: false } }),
    );
    return id;
  }

  async of({ personId }: Actor): Promise<ListAtWork[]> {
    const lists = await new ListsStore(this.db.manager).ofPerson(personId, MOST_LISTS);
    const work = await this.queue.findAbout(lists.map(({ id }) => id));
    return lists.map(({ id, asked: { name, supplier }, answer }) => ({
      ...{ id, name, supplier, answer },
      work: work.get(id) ?? null,
    }));
  }

  async answer(listId: string, { personId }: Actor): Promise<ListImported> {
    const answer = await new ListsStore(this.db.manager).answerOf(listId, personId);
    if (!answer) throw notFound('answer to a list');
    return answer;
  }

  async stop(listId: string, actor: Actor): Promise<void> {
    const answer = await new ListsStore(this.db.manager).answerOf(listId, actor.personId);
    const work = (await this.queue.findAbout([listId])).get(listId);
    if (!work || answer === undefined) throw notFound('list');
    await this.queue.end(work);
  }
}
