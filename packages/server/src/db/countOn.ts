/** What the database counts up by itself. */
const SEQUENCES = [
  ['job', 'number'],
  ['change', 'id'],
  ['shelf_lot', 'number'],
] as const;

/** After rows came in with numbers of their own: the next one follows the greatest. What an earlier schema does not have is left out. */
export async function countOn(query: (sql: string) => Promise<unknown>): Promise<void> {
  for (const [table, column] of SEQUENCES) {
    await query(`DO $$ BEGIN
      IF to_regclass('"${table}"') IS NOT NULL THEN
        PERFORM setval(pg_get_serial_sequence('${table}', '${column}'), coalesce((SELECT max("${column}") FROM "${table}"), 1),
          EXISTS (SELECT 1 FROM "${table}"));
      END IF; END $$`);
  }
}
