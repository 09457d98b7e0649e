import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What was done of a car's plan, step by step. Of jobs from before, what was ticked stays with their openings. */
export class Bay1764901700000 implements MigrationInterface {
  name = 'Bay1764901700000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "job" ADD "bay" jsonb NOT NULL DEFAULT '{"steps":{},"found":[]}'`);
    await runner.query(`ALTER TABLE "job" ALTER COLUMN "bay" DROP DEFAULT`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "job" DROP COLUMN "bay"`);
  }
}
