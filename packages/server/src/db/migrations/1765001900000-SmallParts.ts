import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Which parts are taken for what a job has to have at hand besides. */
export class SmallParts1765001900000 implements MigrationInterface {
  name = 'SmallParts1765001900000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "job" ADD "small_parts" jsonb NOT NULL DEFAULT '[]'`);
    await runner.query(`ALTER TABLE "job" ALTER COLUMN "small_parts" DROP DEFAULT`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "job" DROP COLUMN "small_parts"`);
  }
}
