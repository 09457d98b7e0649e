import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * What the shop has of its parts. A part that lies on the shelf is not taken away; a job that goes for good gives back what was put aside
 * for it.
 */
export class Shelf1764901200000 implements MigrationInterface {
  name = 'Shelf1764901200000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE "shelf_lot" (
      "id" uuid NOT NULL,
      "number" SERIAL NOT NULL,
      "version" integer NOT NULL DEFAULT 1,
      "part_id" text NOT NULL,
      "place" text NOT NULL,
      "pieces" integer NOT NULL,
      "from_order" text NOT NULL,
      "job_id" uuid,
      "counted_at" timestamptz NOT NULL,
      "counted_by" text NOT NULL,
      "removed_at" timestamptz,
      CONSTRAINT "pk_shelf_lot" PRIMARY KEY ("id"),
      CONSTRAINT "shelf_lot_number" UNIQUE ("number"),
      CONSTRAINT "shelf_lot_pieces" CHECK ("pieces" >= 0),
      CONSTRAINT "shelf_lot_of_part" FOREIGN KEY ("part_id") REFERENCES "part"("id"),
      CONSTRAINT "shelf_lot_for_job" FOREIGN KEY ("job_id") REFERENCES "job"("id") ON DELETE SET NULL)`);
    await runner.query(`CREATE INDEX "shelf_lot_by_part" ON "shelf_lot" ("part_id")`);
    await runner.query(`CREATE INDEX "shelf_lot_by_job" ON "shelf_lot" ("job_id")`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "shelf_lot"`);
  }
}
