import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A job ends: handed over, or given up. Open jobs and ended ones are listed page by page, and found by what their vehicle is called. */
export class JobEnds1764900100000 implements MigrationInterface {
  name = 'JobEnds1764900100000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "job" ADD "ended_as" text, ADD "ended_at" timestamptz`);
    await runner.query(`ALTER TABLE "job" ADD CONSTRAINT "job_end_has_day"
      CHECK (("ended_as" IS NULL) = ("ended_at" IS NULL))`);
    await runner.query(`CREATE INDEX "open_job_by_day" ON "job" ("due_on", "number")
      WHERE "deleted_at" IS NULL AND "ended_at" IS NULL`);
    await runner.query(`CREATE INDEX "ended_job_by_day" ON "job" ("ended_at", "number")
      WHERE "deleted_at" IS NULL AND "ended_at" IS NOT NULL`);
    await runner.query(`ALTER TABLE "vehicle" ADD "words" text`);
    await runner.query(`CREATE FUNCTION "keep_vehicle_columns"() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        NEW."words" := lower(concat_ws(' ', NEW."record" ->> 'make', NEW."record" ->> 'model'));
        RETURN NEW;
      END $$`);
    await runner.query(`CREATE TRIGGER "vehicle_columns" BEFORE INSERT OR UPDATE ON "vehicle"
      FOR EACH ROW EXECUTE FUNCTION "keep_vehicle_columns"()`);
    await runner.query(`UPDATE "vehicle" SET "id" = "id"`);
    await runner.query(`ALTER TABLE "vehicle" ALTER COLUMN "words" SET NOT NULL`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TRIGGER "vehicle_columns" ON "vehicle"`);
    await runner.query(`DROP FUNCTION "keep_vehicle_columns"()`);
    await runner.query(`ALTER TABLE "vehicle" DROP COLUMN "words"`);
    await runner.query(`ALTER TABLE "job" DROP CONSTRAINT "job_end_has_day"`);
    await runner.query(`DROP INDEX "open_job_by_day"`);
    await runner.query(`DROP INDEX "ended_job_by_day"`);
    await runner.query(`ALTER TABLE "job" DROP COLUMN "ended_as", DROP COLUMN "ended_at"`);
  }
}
