import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A reason belongs to one check: each check of a choice that does not clear has an answer of its own. */
export class Answers1764700000000 implements MigrationInterface {
  name = 'Answers1764700000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "choice" RENAME COLUMN "reason" TO "earlier_reason"`);
    await runner.query(`ALTER TABLE "choice" ADD "answers" jsonb NOT NULL DEFAULT '[]'`);
    await runner.query(`ALTER TABLE "choice" ALTER COLUMN "answers" DROP DEFAULT`);
  }

  /** Of the answers the first one's words are all that one reason can say. */
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`UPDATE "choice" SET "earlier_reason" = coalesce("answers" -> 0 ->> 'words', "earlier_reason")`);
    await runner.query(`ALTER TABLE "choice" DROP COLUMN "answers"`);
    await runner.query(`ALTER TABLE "choice" RENAME COLUMN "earlier_reason" TO "reason"`);
  }
}
