import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Parts and vehicles can be corrected, so each has a version. */
export class LibraryVersions1764400000000 implements MigrationInterface {
  name = 'LibraryVersions1764400000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "part" ADD "version" integer NOT NULL DEFAULT 1`);
    await runner.query(`ALTER TABLE "vehicle" ADD "version" integer NOT NULL DEFAULT 1`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "vehicle" DROP COLUMN "version"`);
    await runner.query(`ALTER TABLE "part" DROP COLUMN "version"`);
  }
}
