import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * Shop, catalogue, vehicles, jobs, openings, choices.
 *
 * What the core defines by a schema (a part, an opening's record) is kept whole as jsonb and read through that schema;
 * what the database must guard (identity, belonging, versions) are columns with constraints.
 */
export class FirstTables1764000000000 implements MigrationInterface {
  name = 'FirstTables1764000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE "shop" (
      "id" integer NOT NULL,
      "settings" jsonb NOT NULL,
      CONSTRAINT "pk_shop" PRIMARY KEY ("id"),
      CONSTRAINT "one_shop" CHECK ("id" = 1))`);
    await runner.query(`CREATE TABLE "connector" (
      "id" text NOT NULL,
      "record" jsonb NOT NULL,
      CONSTRAINT "pk_connector" PRIMARY KEY ("id"))`);
    await runner.query(`CREATE TABLE "part" (
      "id" text NOT NULL,
      "kind" text NOT NULL,
      "record" jsonb NOT NULL,
      CONSTRAINT "pk_part" PRIMARY KEY ("id"))`);
    await runner.query(`CREATE TABLE "vehicle" (
      "id" text NOT NULL,
      "record" jsonb NOT NULL,
      CONSTRAINT "pk_vehicle" PRIMARY KEY ("id"))`);
    await runner.query(`CREATE TABLE "job" (
      "id" uuid NOT NULL,
      "number" SERIAL NOT NULL,
      "vehicle_id" text NOT NULL,
      "customer" text NOT NULL,
      "registration" text NOT NULL,
      "wants" text NOT NULL,
      "due_on" date,
      "created_at" timestamptz NOT NULL DEFAULT now(),
      CONSTRAINT "pk_job" PRIMARY KEY ("id"),
      CONSTRAINT "job_number" UNIQUE ("number"),
      CONSTRAINT "job_of_vehicle" FOREIGN KEY ("vehicle_id") REFERENCES "vehicle"("id"))`);
    await runner.query(`CREATE TABLE "opening" (
      "id" uuid NOT NULL,
      "job_id" uuid NOT NULL,
      "position" integer NOT NULL,
      "version" integer NOT NULL DEFAULT 1,
      "record" jsonb NOT NULL,
      CONSTRAINT "pk_opening" PRIMARY KEY ("id"),
      CONSTRAINT "opening_place" UNIQUE ("job_id", "position"),
      CONSTRAINT "opening_of_job" FOREIGN KEY ("job_id") REFERENCES "job"("id") ON DELETE CASCADE)`);
    await runner.query(`CREATE TABLE "choice" (
      "opening_id" uuid NOT NULL,
      "speaker_id" text NOT NULL,
      "bracket_id" text,
      "spacer_id" text,
      "reason" text,
      "verdict_when_chosen" text NOT NULL,
      "chosen_at" timestamptz NOT NULL,
      CONSTRAINT "pk_choice" PRIMARY KEY ("opening_id"),
      CONSTRAINT "choice_of_opening" FOREIGN KEY ("opening_id") REFERENCES "opening"("id") ON DELETE CASCADE,
      CONSTRAINT "choice_speaker" FOREIGN KEY ("speaker_id") REFERENCES "part"("id"),
      CONSTRAINT "choice_bracket" FOREIGN KEY ("bracket_id") REFERENCES "part"("id"),
      CONSTRAINT "choice_spacer" FOREIGN KEY ("spacer_id") REFERENCES "part"("id"))`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['choice', 'opening', 'job', 'vehicle', 'part', 'connector', 'shop']) {
      await runner.query(`DROP TABLE "${table}"`);
    }
  }
}
