import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * Suppliers' lists that are to be brought in, with their files, until they have been. Each is a piece of work of its own: of lists, several
 * may wait.
 */
export class ListsAsked1764901400000 implements MigrationInterface {
  name = 'ListsAsked1764901400000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "work" ADD "about" uuid`);
    await runner.query(`DROP INDEX "open_work_once"`);
    await runner.query(
      `CREATE UNIQUE INDEX "open_work_once" ON "work" ("kind") WHERE "state" IN ('waiting', 'running') AND "about" IS NULL`,
    );
    await runner.query(`CREATE TABLE "list_asked" (
      "id" uuid CONSTRAINT "pk_list_asked" PRIMARY KEY,
      "number" SERIAL NOT NULL CONSTRAINT "list_asked_number" UNIQUE,
      "person_id" uuid NOT NULL,
      "person_name" text NOT NULL,
      "device_name" text NOT NULL,
      "asked" jsonb NOT NULL,
      "file" bytea,
      "answer" jsonb,
      "at" timestamptz NOT NULL)`);
    await runner.query(`CREATE INDEX "list_asked_by_person" ON "list_asked" ("person_id", "number")`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "list_asked"`);
    await runner.query(`DELETE FROM "work" WHERE "about" IS NOT NULL`);
    await runner.query(`DROP INDEX "open_work_once"`);
    await runner.query(
      `CREATE UNIQUE INDEX "open_work_once" ON "work" ("kind") WHERE "state" IN ('waiting', 'running')`,
    );
    await runner.query(`ALTER TABLE "work" DROP COLUMN "about"`);
  }
}
