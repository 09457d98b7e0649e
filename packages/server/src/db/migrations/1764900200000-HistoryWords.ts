import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * Each line of the history keeps the words it is found by: what it is about, who and where, and what differs between before and
 * after. Of a record of three kilobytes of which one length changed that is the length, not the record, so that an index of every
 * three letters stays small. The database makes them, because whatever brings lines in (a backup, a shop file) brings none.
 */
export class HistoryWords1764900200000 implements MigrationInterface {
  name = 'HistoryWords1764900200000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE FUNCTION "changed_words"("a" jsonb, "b" jsonb) RETURNS text
      LANGUAGE plpgsql IMMUTABLE PARALLEL SAFE AS $$
      DECLARE
        "words" text := '';
        "key" text;
      BEGIN
        IF jsonb_typeof("a") = 'object' AND jsonb_typeof("b") = 'object' THEN
          FOR "key" IN SELECT jsonb_object_keys("a") UNION SELECT jsonb_object_keys("b") LOOP
            IF "a" -> "key" IS DISTINCT FROM "b" -> "key" THEN
              "words" := "words" || ' ' || "key" || changed_words("a" -> "key", "b" -> "key");
            END IF;
          END LOOP;
          RETURN "words";
        END IF;
        RETURN concat(' ', "a"::text, ' ', "b"::text);
      END $$`);
    await runner.query(`CREATE FUNCTION "line_words"("head" text, "a" jsonb, "b" jsonb) RETURNS text
      LANGUAGE sql IMMUTABLE PARALLEL SAFE AS $$
      SELECT lower(' ' || translate("head" || changed_words("a", "b"), '"{}[],:', '       ')) $$`);
    await runner.query(`CREATE FUNCTION "keep_change_words"() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        NEW."words" := line_words(concat_ws(' ', NEW."label", NEW."person_name", NEW."device_name", NEW."kind"),
          NEW."before", NEW."after");
        RETURN NEW;
      END $$`);
    await runner.query(`ALTER TABLE "change" ADD "words" text`);
    await runner.query(`CREATE TRIGGER "change_words" BEFORE INSERT ON "change"
      FOR EACH ROW EXECUTE FUNCTION "keep_change_words"()`);
    await runner.query(`ALTER TABLE "change" DISABLE TRIGGER "change_is_kept"`);
    await runner.query(`UPDATE "change" SET "words" =
      line_words(concat_ws(' ', "label", "person_name", "device_name", "kind"), "before", "after")`);
    await runner.query(`ALTER TABLE "change" ENABLE TRIGGER "change_is_kept"`);
    await runner.query(`ALTER TABLE "change" ALTER COLUMN "words" SET NOT NULL`);
    await runner.query(`CREATE INDEX "change_by_words" ON "change" USING gin ("words" gin_trgm_ops)`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP INDEX "change_by_words"`);
    await runner.query(`DROP TRIGGER "change_words" ON "change"`);
    await runner.query(`ALTER TABLE "change" DROP COLUMN "words"`);
    await runner.query(`DROP FUNCTION "keep_change_words"()`);
    await runner.query(`DROP FUNCTION "line_words"(text, jsonb, jsonb)`);
    await runner.query(`DROP FUNCTION "changed_words"(jsonb, jsonb)`);
  }
}
