import type { DataSource } from 'typeorm';
import { MIGRATION_NAMES } from './dataSource';

/** @throws when a newer program has brought the database up to date: this one would write what that one cannot read */
export async function requireKnownSchema(owner: DataSource): Promise<void> {
  const [has] = await owner.query(`SELECT to_regclass('public.migrations') IS NOT NULL AS "table"`);
  if (!has.table) return;
  const rows: { name: string }[] = await owner.query('SELECT "name" FROM "migrations" ORDER BY "timestamp"');
  const newer = rows.find(({ name }) => !MIGRATION_NAMES.includes(name));
  if (!newer) return;
  throw new Error(
    `This database was brought up to date by a newer program ("${newer.name}"). Start that one; this one would write what it cannot read.`,
  );
}
