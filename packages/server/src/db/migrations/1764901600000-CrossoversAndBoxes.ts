import type { MigrationInterface, QueryRunner } from 'typeorm';

const COLUMNS = ['crossovers', 'stowed'];

/** The crossovers of a car, and what else is put into it. Of jobs from before nobody noted any. */
export class CrossoversAndBoxes1764901600000 implements MigrationInterface {
  name = 'CrossoversAndBoxes1764901600000';

  async up(runner: QueryRunner): Promise<void> {
    for (const column of COLUMNS) {
      await runner.query(`ALTER TABLE "job" ADD "${column}" jsonb NOT NULL DEFAULT '[]'`);
      await runner.query(`ALTER TABLE "job" ALTER COLUMN "${column}" DROP DEFAULT`);
    }
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const column of COLUMNS) await runner.query(`ALTER TABLE "job" DROP COLUMN "${column}"`);
  }
}
