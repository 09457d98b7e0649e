import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Questions that went outside the shop, with what came back. */
export class Questions1764900800000 implements MigrationInterface {
  name = 'Questions1764900800000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "job" ADD "questions" jsonb NOT NULL DEFAULT '[]'`);
    await runner.query(`ALTER TABLE "job" ALTER COLUMN "questions" DROP DEFAULT`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "job" DROP COLUMN "questions"`);
  }
}
