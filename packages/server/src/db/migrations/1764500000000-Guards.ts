import type { MigrationInterface, QueryRunner } from 'typeorm';

const VERSIONED = [
  ['shop', 'settings', `'shop'`],
  ['part', 'part', '"part"."id"'],
  ['vehicle', 'vehicle', '"vehicle"."id"'],
  ['job', 'job', '"job"."id"::text'],
  ['opening', 'opening', '"opening"."id"::text'],
] as const;

/**
 * What the database itself holds, whatever the program does: a session's end is told at once, a shop keeps an owner, nothing
 * is written by a program that is older than the schema, a currency has the form of ISO 4217. And where guesses are counted.
 */
export class Guards1764500000000 implements MigrationInterface {
  name = 'Guards1764500000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE FUNCTION "tell_session_over"() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN PERFORM pg_notify('lq_session_over', OLD."id"::text); RETURN NULL; END $$`);
    await runner.query(`CREATE TRIGGER "session_over_is_told" AFTER DELETE ON "session"
      FOR EACH ROW EXECUTE FUNCTION "tell_session_over"()`);

    // The lock lasts until the transaction ends: of two that demote each other the second sees what the first did.
    await runner.query(`CREATE FUNCTION "keep_an_owner"() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        PERFORM pg_advisory_xact_lock(4783);
        IF NOT EXISTS (SELECT 1 FROM "person" WHERE "active" AND "roles" @> '["owner"]') THEN
          RAISE EXCEPTION 'A shop needs an owner who can sign in; make somebody else an owner first.'
            USING ERRCODE = 'LQ001';
        END IF;
        RETURN NULL;
      END $$`);
    await runner.query(`CREATE TRIGGER "an_owner_is_kept" AFTER UPDATE OR DELETE ON "person"
      FOR EACH STATEMENT EXECUTE FUNCTION "keep_an_owner"()`);

    // Every program says on its connections up to which migration it knows the schema; one from before does not.
    await runner.query(`CREATE FUNCTION "refuse_older_program"() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF coalesce(nullif(current_setting('lq.schema', true), ''), '0')::bigint
            < (SELECT max("timestamp") FROM "migrations") THEN
          RAISE EXCEPTION 'A newer program has brought this shop up to date; start that one. Nothing was changed.'
            USING ERRCODE = 'LQ002';
        END IF;
        RETURN NULL;
      END $$`);
    await runner.query(`CREATE TRIGGER "older_programs_are_refused" AFTER INSERT ON "change"
      FOR EACH STATEMENT EXECUTE FUNCTION "refuse_older_program"()`);

    // XXX: no currency (ISO 4217). A shop that had typed something else is asked to set it.
    await runner.query(`UPDATE "shop" SET "settings" = jsonb_set("settings", '{currency}', '"XXX"')
      WHERE coalesce("settings" ->> 'currency', '') !~ '^[A-Z]{3}$' AND "settings" ? 'currency'`);
    await runner.query(`ALTER TABLE "shop" ADD CONSTRAINT "shop_currency"
      CHECK (coalesce("settings" ->> 'currency', 'XXX') ~ '^[A-Z]{3}$')`);

    // A shop that was brought in from a file had records older than their history: they could never be saved again.
    for (const [table, kind, id] of VERSIONED) {
      await runner.query(`UPDATE "${table}" SET "version" = last."version" FROM (
        SELECT "record_id", max("version") AS "version" FROM "change" WHERE "kind" = '${kind}' GROUP BY "record_id") AS last
        WHERE last."record_id" = ${id} AND "${table}"."version" < last."version"`);
    }

    await runner.query(`CREATE TABLE "attempt" (
      "key" text NOT NULL,
      "failures" integer NOT NULL,
      "at" timestamptz NOT NULL,
      CONSTRAINT "pk_attempt" PRIMARY KEY ("key"))`);
    await runner.query(`ALTER TABLE "session" ADD "password_at" timestamptz`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "session" DROP COLUMN "password_at"`);
    await runner.query(`DROP TABLE "attempt"`);
    await runner.query(`ALTER TABLE "shop" DROP CONSTRAINT "shop_currency"`);
    await runner.query(`DROP TRIGGER "older_programs_are_refused" ON "change"`);
    await runner.query(`DROP TRIGGER "an_owner_is_kept" ON "person"`);
    await runner.query(`DROP TRIGGER "session_over_is_told" ON "session"`);
    for (const name of ['refuse_older_program', 'keep_an_owner', 'tell_session_over'])
      await runner.query(`DROP FUNCTION "${name}"()`);
  }
}
