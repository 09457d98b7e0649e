import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * Photos of records. The pictures are files named by their SHA-256; here is what each is of and what people put on it. What was taken off
 * its record stays for as long as the bin keeps things. A vehicle, a part and a place of a car may be taken out and brought back, and
 * find their photos again: only the job, which goes for good, takes its photos with it.
 */
export class Photos1764900900000 implements MigrationInterface {
  name = 'Photos1764900900000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE "photo" (
      "id" uuid NOT NULL,
      "version" integer NOT NULL DEFAULT 1,
      "of" text NOT NULL,
      "record_id" text NOT NULL,
      "place" text NOT NULL,
      "job_id" uuid,
      "hash" text NOT NULL,
      "width_px" integer NOT NULL,
      "height_px" integer NOT NULL,
      "bytes" integer NOT NULL,
      "caption" text NOT NULL,
      "marks" jsonb NOT NULL,
      "added_at" timestamptz NOT NULL,
      "added_by" text NOT NULL,
      "removed_at" timestamptz,
      CONSTRAINT "pk_photo" PRIMARY KEY ("id"),
      CONSTRAINT "photo_hash" CHECK ("hash" ~ '^[0-9a-f]{64}$'),
      CONSTRAINT "photo_job" CHECK (("of" IN ('job', 'opening')) = ("job_id" IS NOT NULL)),
      CONSTRAINT "photo_of_job" FOREIGN KEY ("job_id") REFERENCES "job"("id") ON DELETE CASCADE)`);
    await runner.query(`CREATE INDEX "photo_of_record" ON "photo" ("of", "record_id")`);
    await runner.query(`CREATE INDEX "photo_by_job" ON "photo" ("job_id")`);
    await runner.query(`CREATE INDEX "photo_by_hash" ON "photo" ("hash")`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "photo"`);
  }
}
