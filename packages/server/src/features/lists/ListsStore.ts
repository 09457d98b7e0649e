/** Lists that were asked to be brought in, with their files, in the database. */
import type { ListAtWork, ListImported } from '@low-quarry/core/contracts/supplierLists';
import type { EntityManager } from 'typeorm';
import type { Author } from '../history/History';
import { ListEntity, type ListRow } from './ListEntity';

export type ListAsked = Pick<ListRow, 'asked' | 'file' | 'answer'> & { readonly author: Author };

export class ListsStore {
  constructor(private readonly manager: EntityManager) {}

  async add({
    id,
    at,
    author,
    asked,
    file,
  }: Pick<ListRow, 'id' | 'at' | 'asked' | 'file'> & { readonly author: Author }): Promise<void> {
    const { personId, name, deviceName } = author;
    if (personId === null) throw new Error('ListsStore: expected a person to ask for a list');
    const by = { person_id: personId, person_name: name, device_name: deviceName };
    await this.manager.insert(ListEntity, { id, at, asked, file, answer: null, ...by });
  }

  async find(id: string): Promise<ListAsked | null> {
    const row = await this.manager.findOneBy(ListEntity, { id });
    if (!row) return null;
    const { asked, file, answer, person_id: personId, person_name: name, device_name: deviceName } = row;
    return { asked, file, answer, author: { personId, name, deviceName } };
  }

  /** A person's last ones, the newest first, without their files and what is told of single rows. */
  async ofPerson(
    personId: string,
    most: number,
  ): Promise<readonly (Pick<ListRow, 'id' | 'asked'> & Pick<ListAtWork, 'answer'>)[]> {
    return this.manager.query(
      `SELECT "id", "asked", "answer" - 'shown' - 'findings' - 'unknownRows' - 'toMend' AS "answer"
        FROM "list_asked" WHERE "person_id" = $1 ORDER BY "number" DESC LIMIT $2`,
      [personId, most],
    );
  }

  /** What one of a person's lists brought; undefined where it is not theirs, null where it is not in yet. */
  async answerOf(id: string, personId: string): Promise<ListImported | null | undefined> {
    const row = await this.manager.findOne(ListEntity, {
      select: { id: true, answer: true },
      where: { id, person_id: personId },
    });
    return row?.answer;
  }

  /** It is in, and its file is needed no more. */
  async done(id: string, answer: ListImported): Promise<void> {
    await this.manager.update(ListEntity, { id }, { answer, file: null });
  }

  async removeBefore(moment: Date): Promise<void> {
    await this.manager.query(`DELETE FROM "list_asked" WHERE "at" < $1`, [moment]);
  }
}
