import type { MigrationInterface, QueryRunner } from 'typeorm';

const NOTHING_TRIED = '{"functions": {}, "radio": null, "listening": [], "damage": null, "signed": null, "after": {}}';

/** What was tried of a car before the work and after it. Of jobs from before nothing was, which is not that everything works. */
export class Baseline1764900700000 implements MigrationInterface {
  name = 'Baseline1764900700000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "job" ADD "baseline" jsonb NOT NULL DEFAULT '${NOTHING_TRIED}'`);
    await runner.query(`ALTER TABLE "job" ALTER COLUMN "baseline" DROP DEFAULT`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "job" DROP COLUMN "baseline"`);
  }
}
