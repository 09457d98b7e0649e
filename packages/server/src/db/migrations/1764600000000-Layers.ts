import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Rings may lie on rings and between a bracket and the speaker: one list from the metal to the speaker. */
export class Layers1764600000000 implements MigrationInterface {
  name = 'Layers1764600000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "choice" ADD "layer_ids" jsonb`);
    await runner.query(`UPDATE "choice" SET "layer_ids" =
      CASE WHEN "spacer_id" IS NULL THEN '[]'::jsonb ELSE jsonb_build_array("spacer_id") END || "bracket_ids"`);
    await runner.query(`ALTER TABLE "choice" ALTER COLUMN "layer_ids" SET NOT NULL`);
    await runner.query(`ALTER TABLE "choice" DROP COLUMN "bracket_ids"`);
    await runner.query(`ALTER TABLE "choice" DROP COLUMN "spacer_id"`);
  }

  /** What one spacer under the brackets cannot say is lost on the way back. */
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "choice" ADD "bracket_ids" jsonb NOT NULL DEFAULT '[]'`);
    await runner.query(`ALTER TABLE "choice" ADD "spacer_id" text`);
    await runner.query(`UPDATE "choice" SET "spacer_id" = "layer_ids" ->> 0
      WHERE "layer_ids" ->> 0 LIKE 'ring-%' OR EXISTS (
        SELECT 1 FROM "part" WHERE "part"."id" = "layer_ids" ->> 0 AND "part"."kind" = 'spacer')`);
    await runner.query(
      `UPDATE "choice" SET "bracket_ids" = CASE WHEN "spacer_id" IS NULL THEN "layer_ids" ELSE "layer_ids" - 0 END`,
    );
    await runner.query(`ALTER TABLE "choice" ALTER COLUMN "bracket_ids" DROP DEFAULT`);
    await runner.query(`ALTER TABLE "choice" DROP COLUMN "layer_ids"`);
  }
}
