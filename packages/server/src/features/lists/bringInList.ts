/**
 * Tries a list out, or brings it in, in a thread with a connection of its own: neither the rows of the list nor the parts of the library are
 * ever in the server's memory. Whoever ends the thread ends its transaction.
 */
import type { ListImported } from '@low-quarry/core/contracts/supplierLists';
import { ok, type Result } from '@low-quarry/core/result';
import { createDataSource } from '../../db/dataSource';
import { AppError } from '../../http/AppError';
import { inTransaction } from '../../http/inTransaction';
import type { Say } from '../../tasks/Say';
import { type Author, History } from '../history/History';
import type { AskedOfList } from './ListEntity';
import { ListsStore } from './ListsStore';
import { planList } from './planList';
import { SupplierListImport } from './SupplierListImport';

/** A list as it is sent, or one that was asked for earlier, by its id. */
export type GivenList =
  | { readonly kind: 'sent'; readonly asked: AskedOfList; readonly file: Uint8Array; readonly author: Author }
  | { readonly kind: 'kept'; readonly id: string };
export type ListInTask = {
  readonly appUrl: string;
  readonly list: GivenList;
  /** Of the line of the history. */
  readonly importId: string;
  readonly batch: string;
  /** ISO 8601. */
  readonly at: string;
};

/** @returns why it cannot be brought in, where it cannot: then nothing is changed */
export async function bringInList(
  { appUrl, list, importId, batch, at }: ListInTask,
  say: Say,
): Promise<Result<ListImported, string>> {
  const db = createDataSource(appUrl, 'heavy');
  await db.initialize();
  try {
    return await inTransaction(db, async (manager) => {
      const store = new ListsStore(manager);
      const found = list.kind === 'sent' ? { ...list, answer: null } : await store.find(list.id);
      if (!found) throw new Error(`bringInList: expected a list to be kept, found none`);
      // It was in, and the server ended before it was said.
      if (found.answer) return ok(found.answer);
      if (!found.file) throw new Error('bringInList: expected a list to have its file until it is in');
      const history = new History(manager, found.author, new Date(at), batch);
      const into = new SupplierListImport(manager, history, async (task) => planList(task, say));
      const answer = await into.bringIn(found.asked, found.file, importId, found.author.name, say);
      if (list.kind === 'kept') await store.done(list.id, answer);
      return ok(answer);
    });
  } catch (error) {
    // What the list itself is refused for is told as such; the rest is a fault.
    if (error instanceof AppError && error.status < 500) return { ok: false, failure: error.message };
    throw error;
  } finally {
    await db.destroy();
  }
}
