import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What was found on a car. Of jobs from before nobody looked. */
export class Facts1764901000000 implements MigrationInterface {
  name = 'Facts1764901000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "job" ADD "found" jsonb NOT NULL DEFAULT '{}'`);
    await runner.query(`ALTER TABLE "job" ALTER COLUMN "found" DROP DEFAULT`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "job" DROP COLUMN "found"`);
  }
}
