import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * A choice may have one bracket on another, brackets in a snap-off state, and a ring cut from sheet: ids that are more
 * than a row of "part". The service reads them against the catalogue before a choice is kept.
 */
export class BracketChains1764100000000 implements MigrationInterface {
  name = 'BracketChains1764100000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "choice" ADD "bracket_ids" jsonb`);
    await runner.query(`UPDATE "choice" SET "bracket_ids" =
      CASE WHEN "bracket_id" IS NULL THEN '[]'::jsonb ELSE jsonb_build_array("bracket_id") END`);
    await runner.query(`ALTER TABLE "choice" ALTER COLUMN "bracket_ids" SET NOT NULL`);
    await runner.query(`ALTER TABLE "choice" DROP CONSTRAINT "choice_bracket"`);
    await runner.query(`ALTER TABLE "choice" DROP CONSTRAINT "choice_spacer"`);
    await runner.query(`ALTER TABLE "choice" DROP COLUMN "bracket_id"`);
  }

  /** What one bracket and a bought spacer cannot say is lost on the way back. */
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "choice" ADD "bracket_id" text`);
    await runner.query(
      `UPDATE "choice" SET "bracket_id" = "part"."id" FROM "part" WHERE "part"."id" = "bracket_ids" ->> 0`,
    );
    await runner.query(`UPDATE "choice" SET "spacer_id" = NULL WHERE "spacer_id" NOT IN (SELECT "id" FROM "part")`);
    await runner.query(`ALTER TABLE "choice" DROP COLUMN "bracket_ids"`);
    await runner.query(
      `ALTER TABLE "choice" ADD CONSTRAINT "choice_bracket" FOREIGN KEY ("bracket_id") REFERENCES "part"("id")`,
    );
    await runner.query(
      `ALTER TABLE "choice" ADD CONSTRAINT "choice_spacer" FOREIGN KEY ("spacer_id") REFERENCES "part"("id")`,
    );
  }
}
