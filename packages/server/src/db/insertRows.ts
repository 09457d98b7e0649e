/** Puts many rows into a table, so many at once that no statement has more parameters than PostgreSQL takes. */
import type { EntityManager } from 'typeorm';

/** So many rows go into one statement. */
const ROWS = 500;

/**
 * Rows with all their columns, those that the database would count up by itself too: the entity manager leaves these out.
 *
 * @param rows all with the same columns, whose names are ours
 * @param otherwise what becomes of a row that is there already, `ON CONFLICT …`
 */
export async function insertRows(
  into: EntityManager,
  table: string,
  rows: readonly Readonly<Record<string, unknown>>[],
  otherwise = '',
): Promise<void> {
  const columns = Object.keys(rows[0] ?? {})
    .map((column) => `"${column}"`)
    .join(', ');
  for (let at = 0; at < rows.length; at += ROWS) {
    const page = JSON.stringify(rows.slice(at, at + ROWS));
    await into.query(
      `INSERT INTO "${table}" (${columns}) SELECT ${columns} FROM jsonb_populate_recordset(NULL::"${table}", $1::jsonb) ${otherwise}`,
      [page],
    );
  }
}
