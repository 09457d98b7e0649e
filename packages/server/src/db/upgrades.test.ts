/** A shop of an earlier program is brought up to date while that program still writes: nothing it acknowledged is lost. */
import { randomBytes } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import { describe, expect, test } from '@jest/globals';
import { NO_BASELINE, NOTHING_DONE } from '@low-quarry/core/model';
import pg from 'pg';
import { readDemoFiles } from '../demo/demoFiles';
import { asAdmin, countingIds, DEMO_DIR, NOW, ownerName, urlOf } from '../testing/testDatabase';
import { prepareAppRole } from './appRole';
import { createDataSource, createOwnerDataSource, MIGRATION_NAMES } from './dataSource';
import { requireKnownSchema } from './requireKnownSchema';

/** A database with the schema as it was after a migration, and a shop in it as that program kept it. */
async function earlierShop(schema: string) {
  const name = `lq_test_${randomBytes(6).toString('hex')}`;
  await asAdmin((admin) => admin.query(`CREATE DATABASE ${name} OWNER ${ownerName()}`));
  const ownerUrl = urlOf('LQ_TEST_OWNER_URL', name);
  const appUrl = urlOf('LQ_TEST_APP_URL', name);
  const owner = await createOwnerDataSource(ownerUrl, { upTo: schema }).initialize();
  await owner.runMigrations();
  await prepareAppRole(owner, appUrl);
  const { shop, parts, connectors, vehicles } = await readDemoFiles(DEMO_DIR);
  await owner.query('INSERT INTO "shop" ("id", "settings") VALUES (1, $1)', [
    { ...shop, currency: isGuarded(schema) ? 'EUR' : 'E1R' },
  ]);
  for (const record of connectors)
    await owner.query('INSERT INTO "connector" ("id", "record") VALUES ($1, $2)', [record.id, record]);
  for (const record of parts)
    await owner.query('INSERT INTO "part" ("id", "kind", "record") VALUES ($1, $2, $3)', [
      record.id,
      record.kind,
      record,
    ]);
  for (const record of vehicles)
    await owner.query('INSERT INTO "vehicle" ("id", "record") VALUES ($1, $2)', [record.id, record]);
  const newId = countingIds();
  const [vehicle] = vehicles;
  if (!vehicle) throw new Error('expected a vehicle of the demo shop');
  const jobId = newId();
  const asked = isAfter(schema, 'Intake1764900600000')
    ? { contact: '', ownership: NOT_ASKED, consents: {}, expectations: [] }
    : {};
  const tried = isAfter(schema, 'Baseline1764900700000') ? { baseline: NO_BASELINE } : {};
  const outside = isAfter(schema, 'Questions1764900800000') ? { questions: [] } : {};
  const seen = isAfter(schema, 'Facts1764901000000') ? { found: {} } : {};
  const wired = isAfter(schema, 'CrossoversAndBoxes1764901600000') ? { crossovers: [], stowed: [] } : {};
  const done = isAfter(schema, 'Bay1764901700000') ? { bay: NOTHING_DONE } : {};
  const booked = isAfter(schema, 'Bookings1764901800000') ? { booked: [], quieted: [] } : {};
  const taken = isAfter(schema, 'SmallParts1765001900000') ? { small_parts: [] } : {};
  const job = {
    id: jobId,
    vehicle_id: vehicle.id,
    customer: 'Old',
    registration: '',
    wants: '',
    created_at: NOW,
    ...asked,
    ...tried,
    ...seen,
    ...wired,
    ...done,
    ...booked,
    ...taken,
    ...outside,
  };
  const columns = Object.keys(job).map((column) => `"${column}"`);
  await owner.query(
    `INSERT INTO "job" (${columns}) SELECT ${columns} FROM jsonb_populate_record(NULL::"job", $1::jsonb)`,
    [JSON.stringify(job)],
  );
  const openings: string[] = [];
  for (const [position, record] of vehicle.openings.entries()) {
    openings.push(newId());
    await owner.query('INSERT INTO "opening" ("id", "job_id", "position", "record") VALUES ($1, $2, $3, $4)', [
      openings.at(-1),
      jobId,
      position,
      record,
    ]);
  }
  await owner.destroy();
  const drop = () => asAdmin((admin) => admin.query(`DROP DATABASE ${name} WITH (FORCE)`));
  return { name, ownerUrl, appUrl, openings, vehicleId: vehicle.id, drop };
}

/** From then on the database itself asks who writes, and what a currency is. */
function isGuarded(schema: string): boolean {
  return isAfter(schema, 'Guards1764500000000');
}

function isAfter(schema: string, migration: string): boolean {
  return MIGRATION_NAMES.indexOf(schema) >= MIGRATION_NAMES.indexOf(migration);
}

const NOT_ASKED = { owner: 'notAsked', leave: 'notAsked', by: '' };

/** As that program wrote: the first ones without saying which schema they know. */
async function oldWriter(
  { appUrl, ownerUrl, openings }: Pick<Awaited<ReturnType<typeof earlierShop>>, 'appUrl' | 'ownerUrl' | 'openings'>,
  schema: string,
  hasHistory: boolean,
) {
  const acknowledged = new Map<string, string>();
  const refusals: string[] = [];
  let stopped = false;
  // The first program of all ran as the owner; later ones in the role of the server.
  const client = new pg.Client({ connectionString: hasHistory ? appUrl : ownerUrl });
  client.on('error', () => {});
  await client.connect();
  if (isGuarded(schema)) await client.query(`SET lq.schema = '${/\d+$/.exec(schema)?.[0]}'`);
  const running = (async () => {
    for (let step = 0; !stopped; step++) {
      const id = openings[step % openings.length] as string;
      const note = `old ${step}`;
      try {
        await client.query('BEGIN');
        const { rows } = await client.query(
          `UPDATE "opening" SET "record" = jsonb_set("record", '{note}', to_jsonb($2::text)), "version" = "version" + 1
            WHERE "id" = $1 RETURNING "version"`,
          [id, note],
        );
        if (hasHistory) {
          await client.query(
            `INSERT INTO "change" ("at", "batch", "person_name", "device_name", "kind", "record_id", "label", "action", "version")
              VALUES (now(), gen_random_uuid(), 'Old', 'old', 'opening', $1, 'x', 'changed', $2)`,
            [id, rows[0].version],
          );
        }
        await client.query('COMMIT');
        acknowledged.set(id, note);
      } catch (error) {
        refusals.push((error as { code?: string }).code ?? '');
        await client.query('ROLLBACK').catch(() => {});
        if (refusals.length > 20) break;
      }
      await sleep(2);
    }
  })();
  return {
    acknowledged,
    refusals,
    stop: async () => {
      stopped = true;
      await running;
      await client.end();
    },
  };
}

describe.each(MIGRATION_NAMES.slice(0, -1))('a shop of %s', (schema) => {
  test('is brought up to date while its program writes', async () => {
    const shop = await earlierShop(schema);
    const hasHistory = MIGRATION_NAMES.indexOf(schema) >= MIGRATION_NAMES.indexOf('History1764300000000');
    const writer = await oldWriter(shop, schema, hasHistory);
    try {
      await sleep(100);
      const owner = await createOwnerDataSource(shop.ownerUrl).initialize();
      await owner.runMigrations();
      await prepareAppRole(owner, shop.appUrl);
      await sleep(150);
      await writer.stop();
      expect(writer.acknowledged.size).toBeGreaterThan(0);
      const db = await createDataSource(shop.appUrl).initialize();
      for (const [id, note] of writer.acknowledged) {
        const [row] = await db.query('SELECT "record" FROM "opening" WHERE "id" = $1', [id]);
        expect(row.record.note).toBe(note);
      }
      // From the moment the schema is newer the old program is refused, with a sentence, and leaves nothing by halves.
      if (hasHistory) {
        expect(writer.refusals).toContain('LQ002');
        const [gaps] = await db.query(
          `SELECT count(*)::int AS n FROM (SELECT 1 FROM "change" GROUP BY "record_id"
            HAVING count(*) <> max("version") - min("version") + 1) AS broken`,
        );
        expect(gaps.n).toBe(0);
      }
      const [{ settings }] = await db.query('SELECT "settings" FROM "shop"');
      expect(settings.currency).toBe(isGuarded(schema) ? 'EUR' : 'XXX');
      await db.destroy();
      await owner.destroy();
    } finally {
      await writer.stop().catch(() => {});
      await shop.drop();
    }
  });
});

test('a database that a newer program has brought up to date is not opened', async () => {
  const shop = await earlierShop(MIGRATION_NAMES.at(-1) as string);
  const owner = await createOwnerDataSource(shop.ownerUrl).initialize();
  try {
    await requireKnownSchema(owner);
    await owner.query(`INSERT INTO "migrations" ("timestamp", "name") VALUES (9999999999999, 'Later9999999999999')`);
    await expect(requireKnownSchema(owner)).rejects.toThrow(
      'brought up to date by a newer program ("Later9999999999999")',
    );
    // And a program that is running already writes no more.
    const db = await createDataSource(shop.appUrl).initialize();
    await expect(
      db.query(`INSERT INTO "change" ("at", "batch", "person_name", "device_name", "kind", "record_id", "label", "action", "version")
        VALUES (now(), gen_random_uuid(), 'x', 'x', 'job', 'x', 'x', 'changed', 1)`),
    ).rejects.toMatchObject({ driverError: { code: 'LQ002' } });
    await db.destroy();
  } finally {
    await owner.destroy();
    await shop.drop();
  }
});
