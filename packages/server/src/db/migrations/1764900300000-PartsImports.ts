import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * Parts that come in together are one line of the history. What each of them was before and is after stands behind that line, part
 * by part, and is kept as the history is: only added to.
 */
export class PartsImports1764900300000 implements MigrationInterface {
  name = 'PartsImports1764900300000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE "import_part" (
      "import_id" uuid NOT NULL,
      "import_version" integer NOT NULL,
      "part_id" text NOT NULL,
      "version" integer NOT NULL,
      "before" jsonb,
      "after" jsonb,
      CONSTRAINT "pk_import_part" PRIMARY KEY ("import_id", "import_version", "part_id"))`);
    await runner.query(`CREATE INDEX "import_of_part" ON "import_part" ("part_id")`);
    await runner.query(`CREATE TRIGGER "imports_are_kept" BEFORE UPDATE OR DELETE ON "import_part"
      FOR EACH ROW EXECUTE FUNCTION "refuse_rewriting"()`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE "import_part"');
  }
}
