import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The crossovers of a car. Of jobs from before nobody noted any. */
export class Crossovers1764901600000 implements MigrationInterface {
  name = 'Crossovers1764901600000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "job" ADD "crossovers" jsonb NOT NULL DEFAULT '[]'`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "job" DROP COLUMN "crossovers"`);
  }
}
