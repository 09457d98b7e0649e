import type { DataSource, EntityManager } from 'typeorm';
import { isWorthAnotherTry } from './databaseProblem';

const TRIES = 4;

/** Runs work in one transaction, and again from its beginning where the database had to break a deadlock. */
export async function inTransaction<Answer>(
  db: DataSource,
  work: (manager: EntityManager) => Promise<Answer>,
): Promise<Answer> {
  for (let tries = 1; ; tries++) {
    try {
      return await db.transaction(work);
    } catch (error) {
      if (tries === TRIES || !isWorthAnotherTry(error)) throw error;
    }
  }
}
