import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * The catalogue has a version: each part and connector says at which one it was last changed, so that a device asks for what
 * changed since it last asked. Columns beside the record are what parts are searched and joined by; the database keeps them, so
 * that they are right whatever writes the record.
 *
 * Who changes the catalogue holds its row until the end of the transaction: versions become visible in their order, and nobody who
 * has seen one can miss a smaller one later.
 */
export class CatalogueVersion1764900000000 implements MigrationInterface {
  name = 'CatalogueVersion1764900000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('CREATE EXTENSION IF NOT EXISTS pg_trgm');
    // The epoch tells this catalogue from another one that takes its place and counts anew.
    await runner.query(`CREATE TABLE "catalogue" (
      "id" integer NOT NULL DEFAULT 1,
      "epoch" uuid NOT NULL DEFAULT gen_random_uuid(),
      "version" integer NOT NULL DEFAULT 1,
      CONSTRAINT "pk_catalogue" PRIMARY KEY ("id"),
      CONSTRAINT "one_catalogue" CHECK ("id" = 1))`);
    await runner.query('INSERT INTO "catalogue" DEFAULT VALUES');
    await runner.query(`CREATE TABLE "part_gone" (
      "id" text NOT NULL,
      "revision" integer NOT NULL,
      CONSTRAINT "pk_part_gone" PRIMARY KEY ("id"))`);
    await runner.query(`ALTER TABLE "connector" ADD "revision" integer`);
    await runner.query(`ALTER TABLE "part" ADD "revision" integer, ADD "label" text, ADD "words" text,
      ADD "from_connector_id" text, ADD "to_connector_id" text`);

    await runner.query(`CREATE FUNCTION "count_catalogue"() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN UPDATE "catalogue" SET "version" = "version" + 1; RETURN NULL; END $$`);
    await runner.query(`CREATE FUNCTION "begin_catalogue"() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN UPDATE "catalogue" SET "epoch" = gen_random_uuid(), "version" = "version" + 1; RETURN NULL; END $$`);
    await runner.query(`CREATE FUNCTION "keep_connector_columns"() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN NEW."revision" := (SELECT "version" FROM "catalogue"); RETURN NEW; END $$`);
    await runner.query(`CREATE FUNCTION "keep_part_columns"() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        NEW."revision" := (SELECT "version" FROM "catalogue");
        NEW."label" := concat_ws(' ', NEW."record" ->> 'maker', NEW."record" ->> 'name');
        NEW."words" := lower(concat_ws(' ', NEW."id", NEW."kind", NEW."label", NEW."record" ->> 'supplier',
          NEW."record" ->> 'speakerKind', NEW."record" ->> 'nominalSize'));
        NEW."from_connector_id" := NEW."record" ->> 'fromConnectorId';
        NEW."to_connector_id" := NEW."record" #>> '{to,connectorId}';
        RETURN NEW;
      END $$`);
    await runner.query(`CREATE FUNCTION "keep_part_gone"() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        INSERT INTO "part_gone" ("id", "revision") SELECT OLD."id", "version" FROM "catalogue"
          ON CONFLICT ("id") DO UPDATE SET "revision" = EXCLUDED."revision";
        RETURN NULL;
      END $$`);
    for (const table of ['part', 'connector']) {
      await runner.query(`CREATE TRIGGER "${table}_is_counted" BEFORE INSERT OR UPDATE OR DELETE ON "${table}"
        FOR EACH STATEMENT EXECUTE FUNCTION "count_catalogue"()`);
      await runner.query(`CREATE TRIGGER "${table}_columns" BEFORE INSERT OR UPDATE ON "${table}"
        FOR EACH ROW EXECUTE FUNCTION "keep_${table}_columns"()`);
      await runner.query(`CREATE TRIGGER "${table}s_begin_anew" AFTER TRUNCATE ON "${table}"
        FOR EACH STATEMENT EXECUTE FUNCTION "begin_catalogue"()`);
      await runner.query(`UPDATE "${table}" SET "id" = "id"`);
      await runner.query(`ALTER TABLE "${table}" ALTER COLUMN "revision" SET NOT NULL`);
    }
    await runner.query(`CREATE TRIGGER "part_is_gone" AFTER DELETE ON "part"
      FOR EACH ROW EXECUTE FUNCTION "keep_part_gone"()`);
    await runner.query(`ALTER TABLE "part" ALTER COLUMN "label" SET NOT NULL, ALTER COLUMN "words" SET NOT NULL`);
    await runner.query(`CREATE INDEX "part_by_revision" ON "part" ("revision", "id")`);
    await runner.query(`CREATE INDEX "part_by_label" ON "part" ("label", "id")`);
    await runner.query(`CREATE INDEX "part_by_connector" ON "part" ("from_connector_id")`);
    await runner.query(`CREATE INDEX "part_by_words" ON "part" USING gin ("words" gin_trgm_ops)`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TRIGGER "part_is_gone" ON "part"`);
    for (const table of ['part', 'connector']) {
      for (const trigger of ['_is_counted', '_columns', 's_begin_anew'])
        await runner.query(`DROP TRIGGER "${table}${trigger}" ON "${table}"`);
    }
    for (const name of [
      'keep_part_gone',
      'keep_part_columns',
      'keep_connector_columns',
      'begin_catalogue',
      'count_catalogue',
    ])
      await runner.query(`DROP FUNCTION "${name}"()`);
    await runner.query(`ALTER TABLE "part" DROP COLUMN "revision", DROP COLUMN "label", DROP COLUMN "words",
      DROP COLUMN "from_connector_id", DROP COLUMN "to_connector_id"`);
    await runner.query(`ALTER TABLE "connector" DROP COLUMN "revision"`);
    await runner.query('DROP TABLE "part_gone"');
    await runner.query('DROP TABLE "catalogue"');
    await runner.query('DROP EXTENSION pg_trgm');
  }
}
