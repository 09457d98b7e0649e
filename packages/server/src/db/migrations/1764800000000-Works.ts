import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A choice may be made with work by hand: what is filed, cut or drilled so that it fits. */
export class Works1764800000000 implements MigrationInterface {
  name = 'Works1764800000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "choice" ADD "works" jsonb NOT NULL DEFAULT '[]'`);
    await runner.query(`ALTER TABLE "choice" ALTER COLUMN "works" DROP DEFAULT`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "choice" DROP COLUMN "works"`);
  }
}
