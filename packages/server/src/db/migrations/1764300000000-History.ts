import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * Every change of a record, for good. That it is only added to is held twice: the role of the running server has no
 * UPDATE and DELETE on it (`appRole`), and a trigger refuses them to everybody else.
 */
export class History1764300000000 implements MigrationInterface {
  name = 'History1764300000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE "change" (
      "id" SERIAL NOT NULL,
      "at" timestamptz NOT NULL,
      "batch" uuid NOT NULL,
      "person_id" uuid,
      "person_name" text NOT NULL,
      "device_name" text NOT NULL,
      "kind" text NOT NULL,
      "record_id" text NOT NULL,
      "job_id" uuid,
      "label" text NOT NULL,
      "action" text NOT NULL,
      "version" integer NOT NULL,
      "before" jsonb,
      "after" jsonb,
      "undoes" integer,
      CONSTRAINT "pk_change" PRIMARY KEY ("id"),
      CONSTRAINT "one_change_a_version" UNIQUE ("kind", "record_id", "version"))`);
    await runner.query(`CREATE INDEX "change_of_job" ON "change" ("job_id", "id")`);
    await runner.query(`CREATE INDEX "change_of_person" ON "change" ("person_id", "id")`);
    await runner.query(`CREATE FUNCTION "refuse_rewriting"() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN RAISE EXCEPTION 'the history is only added to'; END $$`);
    await runner.query(`CREATE TRIGGER "change_is_kept" BEFORE UPDATE OR DELETE ON "change"
      FOR EACH ROW EXECUTE FUNCTION "refuse_rewriting"()`);
    await runner.query(`CREATE TRIGGER "changes_are_kept" BEFORE TRUNCATE ON "change"
      FOR EACH STATEMENT EXECUTE FUNCTION "refuse_rewriting"()`);
    // Told to whoever listens, at the moment the change is there for good.
    await runner.query(`CREATE FUNCTION "tell_change"() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN PERFORM pg_notify('lq_change', NEW."id"::text); RETURN NULL; END $$`);
    await runner.query(`CREATE TRIGGER "change_is_told" AFTER INSERT ON "change"
      FOR EACH ROW EXECUTE FUNCTION "tell_change"()`);
    await runner.query(`ALTER TABLE "shop" ADD "version" integer NOT NULL DEFAULT 1`);
    await runner.query(`ALTER TABLE "job" ADD "version" integer NOT NULL DEFAULT 1`);
    await runner.query(`ALTER TABLE "job" ADD "deleted_at" timestamptz`);
    await runner.query(`ALTER TABLE "job" ADD "deleted_by" text`);
    await runner.query(`ALTER TABLE "choice" ADD "version" integer NOT NULL DEFAULT 1`);
    await runner.query(`ALTER TABLE "choice" ADD "snapshot" jsonb`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "choice" DROP COLUMN "snapshot"`);
    await runner.query(`ALTER TABLE "choice" DROP COLUMN "version"`);
    await runner.query(`ALTER TABLE "job" DROP COLUMN "deleted_by"`);
    await runner.query(`ALTER TABLE "job" DROP COLUMN "deleted_at"`);
    await runner.query(`ALTER TABLE "job" DROP COLUMN "version"`);
    await runner.query(`ALTER TABLE "shop" DROP COLUMN "version"`);
    await runner.query(`DROP TABLE "change"`);
    await runner.query(`DROP FUNCTION "tell_change"()`);
    await runner.query(`DROP FUNCTION "refuse_rewriting"()`);
  }
}
