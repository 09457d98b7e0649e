import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Whether the maker's amplifier of a car stays. Of jobs from before nobody decided. */
export class AmplifierPlans1764901500000 implements MigrationInterface {
  name = 'AmplifierPlans1764901500000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "job" ADD "amplifier_plan" jsonb`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "job" DROP COLUMN "amplifier_plan"`);
  }
}
