import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * What parts are found by: their maker's number, other names, and the offers with their numbers, where a part had one supplier. What is kept
 * is found as before.
 */
export class Offers1764901100000 implements MigrationInterface {
  name = 'Offers1764901100000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      keepPartColumns(`NEW."record" ->> 'supplier', NEW."record" ->> 'number',
        (SELECT string_agg("alias", ' ') FROM jsonb_array_elements_text(${listIn('aliases')}) AS "each"("alias")),
        (SELECT string_agg(concat_ws(' ', "offer" ->> 'supplier', "offer" ->> 'number'), ' ')
          FROM jsonb_array_elements(${listIn('offers')}) AS "each"("offer"))`),
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(keepPartColumns(`NEW."record" ->> 'supplier'`));
  }
}

/** What a record has under a key, where that is a list. */
function listIn(key: string): string {
  return `CASE jsonb_typeof(NEW."record" -> '${key}') WHEN 'array' THEN NEW."record" -> '${key}' ELSE '[]' END`;
}

/** @param words besides id, kind, maker and name, as SQL */
function keepPartColumns(words: string): string {
  return `CREATE OR REPLACE FUNCTION "keep_part_columns"() RETURNS trigger LANGUAGE plpgsql AS $$
    BEGIN
      NEW."revision" := (SELECT "version" FROM "catalogue");
      NEW."label" := concat_ws(' ', NEW."record" ->> 'maker', NEW."record" ->> 'name');
      NEW."words" := lower(concat_ws(' ', NEW."id", NEW."kind", NEW."label", ${words},
        NEW."record" ->> 'speakerKind', NEW."record" ->> 'nominalSize'));
      NEW."from_connector_id" := NEW."record" ->> 'fromConnectorId';
      NEW."to_connector_id" := NEW."record" #>> '{to,connectorId}';
      RETURN NEW;
    END $$`;
}
