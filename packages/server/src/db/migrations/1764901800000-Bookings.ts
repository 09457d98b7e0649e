import type { MigrationInterface, QueryRunner } from 'typeorm';

const COLUMNS = ['booked', 'quieted'];

/** When a car stands in the bay, and what of it is quieted; and the address under which a person's calendar reads that, of which only a hash is kept. */
export class Bookings1764901800000 implements MigrationInterface {
  name = 'Bookings1764901800000';

  async up(runner: QueryRunner): Promise<void> {
    for (const column of COLUMNS) {
      await runner.query(`ALTER TABLE "job" ADD "${column}" jsonb NOT NULL DEFAULT '[]'`);
      await runner.query(`ALTER TABLE "job" ALTER COLUMN "${column}" DROP DEFAULT`);
    }
    await runner.query(`ALTER TABLE "person" ADD "feed_hash" text, ADD "feed_read_at" timestamptz`);
    await runner.query(`ALTER TABLE "person" ADD CONSTRAINT "person_feed" UNIQUE ("feed_hash")`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "person" DROP COLUMN "feed_read_at", DROP COLUMN "feed_hash"`);
    for (const column of COLUMNS) await runner.query(`ALTER TABLE "job" DROP COLUMN "${column}"`);
  }
}
