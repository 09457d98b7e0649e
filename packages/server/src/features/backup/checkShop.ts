/**
 * Looks at a database that is to become the shop's: whether everything in it goes together. What the tables' own constraints
 * hold is not asked again.
 */
import { withClient } from '../../db/withClient';
import { ArchiveError } from './archive';

type Finding = {
  readonly asks: string;
  readonly says: (count: number) => string;
  /** A shop like that could not be opened. */
  readonly isGrave?: true;
};

/** Each counts rows that must not be there. */
const FINDINGS: readonly Finding[] = [
  {
    asks: `SELECT count(*)::int AS n FROM (VALUES (1)) AS one WHERE NOT EXISTS (SELECT 1 FROM "shop")`,
    says: () => 'it holds no shop',
    isGrave: true,
  },
  {
    asks: `SELECT count(*)::int AS n FROM (VALUES (1)) AS one
      WHERE NOT EXISTS (SELECT 1 FROM "person" WHERE "active" AND "roles" @> '["owner"]')`,
    says: () => 'nobody in it is an owner who can sign in',
    isGrave: true,
  },
  {
    asks: `SELECT count(*)::int AS n FROM "change" WHERE "undoes" IS NOT NULL
      AND NOT EXISTS (SELECT 1 FROM "change" AS other WHERE other."id" = "change"."undoes")`,
    says: (count) => `${count} lines of its history take back a line that is not there`,
  },
  {
    asks: `SELECT count(*)::int AS n FROM (
        SELECT 1 FROM (SELECT "kind", "record_id", "version" FROM "change"
          UNION ALL SELECT 'part', "part_id", "version" FROM "import_part") AS line
        GROUP BY "kind", "record_id" HAVING count(*) <> max("version") - min("version") + 1) AS broken`,
    says: (count) => `the history of ${count} records has a gap`,
  },
  {
    asks: `SELECT count(*)::int AS n FROM (${[
      ['opening', 'opening', '"opening"."id"::text'],
      ['job', 'job', '"job"."id"::text'],
      ['photo', 'photo', '"photo"."id"::text'],
      ['shelf', 'shelf_lot', '"shelf_lot"."id"::text'],
      ['part', 'part', '"part"."id"'],
      ['vehicle', 'vehicle', '"vehicle"."id"'],
      ['settings', 'shop', `'shop'`],
    ]
      .map(
        ([kind, table, id]) => `SELECT 1 FROM "${table}" WHERE "version" < (
          SELECT max("version") FROM "change" WHERE "kind" = '${kind}' AND "record_id" = ${id})`,
      )
      .join(' UNION ALL ')}) AS behind`,
    says: (count) => `${count} records are older than their history says, so that they could never be saved again`,
  },
];

/**
 * @returns what does not go together and can be lived with, in words that follow "In it, "
 * @throws ArchiveError when the shop could not be opened
 */
export async function checkShop(
  url: string,
  { mayBeDemo }: { readonly mayBeDemo: boolean },
): Promise<readonly string[]> {
  return withClient(url, async (client) => {
    const found: string[] = [];
    const demo = await client.query('SELECT 1 FROM "shop" WHERE "is_demo"');
    if (demo.rowCount && !mayBeDemo) {
      throw new ArchiveError('It is the demo shop, whose passwords everybody knows, and others reach this server.');
    }
    for (const { asks, says, isGrave } of FINDINGS) {
      const { rows } = await client.query(asks);
      if (rows[0].n === 0) continue;
      if (isGrave) throw new ArchiveError(`What is in it does not go together: ${says(rows[0].n)}.`);
      found.push(says(rows[0].n));
    }
    return found;
  });
}
