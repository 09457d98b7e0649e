import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What is asked when a car is booked in. Of jobs from before nothing of it was asked, which is not that there is nothing. */
export class Intake1764900600000 implements MigrationInterface {
  name = 'Intake1764900600000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "job"
      ADD "contact" text NOT NULL DEFAULT '',
      ADD "ownership" jsonb NOT NULL DEFAULT '{"owner": "notAsked", "leave": "notAsked", "by": ""}',
      ADD "goals" jsonb,
      ADD "keeps" jsonb,
      ADD "budget_minor" integer,
      ADD "later" jsonb,
      ADD "done_before" text,
      ADD "lost_without_supply" text,
      ADD "consents" jsonb NOT NULL DEFAULT '{}',
      ADD "expectations" jsonb NOT NULL DEFAULT '[]'`);
    for (const column of ['contact', 'ownership', 'consents', 'expectations'])
      await runner.query(`ALTER TABLE "job" ALTER COLUMN "${column}" DROP DEFAULT`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "job" DROP COLUMN "contact", DROP COLUMN "ownership", DROP COLUMN "goals",
      DROP COLUMN "keeps", DROP COLUMN "budget_minor", DROP COLUMN "later", DROP COLUMN "done_before",
      DROP COLUMN "lost_without_supply", DROP COLUMN "consents", DROP COLUMN "expectations"`);
  }
}
