import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * Variants of vehicles are found as somebody types them: by words that the database keeps beside the record, without accents and in
 * small letters, in an index of every three letters; and by the years they were built.
 *
 * A record of the first form has its years as a line of text; they are read from it here as the program reads them.
 */
export class Variants1764900500000 implements MigrationInterface {
  name = 'Variants1764900500000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE FUNCTION "plain_words"("text" text) RETURNS text
      LANGUAGE sql IMMUTABLE PARALLEL SAFE AS $$
      SELECT regexp_replace(lower(normalize("text", NFD)), '[\\u0300-\\u036f]', '', 'g') $$`);
    await runner.query(`ALTER TABLE "vehicle" ADD "found_by" text, ADD "year_from" integer, ADD "year_to" integer`);
    await runner.query(`CREATE OR REPLACE FUNCTION "keep_vehicle_columns"() RETURNS trigger LANGUAGE plpgsql AS $$
      DECLARE
        "years" jsonb := NEW."record" -> 'years';
        "read" text[];
      BEGIN
        NEW."words" := lower(concat_ws(' ', NEW."record" ->> 'make', NEW."record" ->> 'model'));
        NEW."found_by" := plain_words(concat_ws(' ', NEW."record" ->> 'make', NEW."record" ->> 'model',
          (SELECT string_agg("alias", ' ') FROM jsonb_array_elements_text(
            CASE jsonb_typeof(NEW."record" -> 'aliases') WHEN 'array' THEN NEW."record" -> 'aliases' ELSE '[]' END) AS "alias"),
          NEW."record" ->> 'body', NEW."record" ->> 'cab', NEW."record" ->> 'trim', NEW."record" ->> 'audioPackage',
          NEW."record" ->> 'market', NEW."record" ->> 'steeringSide'));
        NEW."year_from" := NULL;
        NEW."year_to" := NULL;
        IF jsonb_typeof("years") = 'object' THEN
          NEW."year_from" := ("years" ->> 'from')::integer;
          NEW."year_to" := ("years" ->> 'to')::integer;
        ELSIF jsonb_typeof("years") = 'string' THEN
          "read" := ARRAY(SELECT "hit"."parts"[1]
            FROM regexp_matches(NEW."record" ->> 'years', '\\m((?:19|20)\\d\\d)\\M', 'g') AS "hit"("parts"));
          NEW."year_from" := "read"[1]::integer;
          NEW."year_to" := "read"[2]::integer;
        END IF;
        RETURN NEW;
      END $$`);
    await runner.query(`UPDATE "vehicle" SET "id" = "id"`);
    await runner.query(`ALTER TABLE "vehicle" ALTER COLUMN "found_by" SET NOT NULL`);
    await runner.query(`CREATE INDEX "vehicle_by_words" ON "vehicle" USING gin ("found_by" gin_trgm_ops)`);
    await runner.query(`CREATE INDEX "job_by_vehicle" ON "job" ("vehicle_id", "created_at")`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP INDEX "job_by_vehicle"`);
    await runner.query(`DROP INDEX "vehicle_by_words"`);
    await runner.query(`CREATE OR REPLACE FUNCTION "keep_vehicle_columns"() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        NEW."words" := lower(concat_ws(' ', NEW."record" ->> 'make', NEW."record" ->> 'model'));
        RETURN NEW;
      END $$`);
    await runner.query(`ALTER TABLE "vehicle" DROP COLUMN "found_by", DROP COLUMN "year_from", DROP COLUMN "year_to"`);
    await runner.query(`DROP FUNCTION "plain_words"(text)`);
  }
}
