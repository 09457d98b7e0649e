import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Work outside a request, as people see it; the queue that hands it out has a schema of its own. */
export class Work1764900400000 implements MigrationInterface {
  name = 'Work1764900400000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE "work" (
      "id" uuid CONSTRAINT "pk_work" PRIMARY KEY,
      "number" SERIAL NOT NULL CONSTRAINT "work_number" UNIQUE,
      "kind" text NOT NULL,
      "asked_by" text,
      "asked_at" timestamptz NOT NULL,
      "state" text NOT NULL CONSTRAINT "known_work_state"
        CHECK ("state" IN ('waiting', 'running', 'done', 'failed', 'stopped')),
      "is_stopping" boolean NOT NULL DEFAULT false,
      "step" text NOT NULL DEFAULT '',
      "share" double precision,
      "tries" integer NOT NULL DEFAULT 0,
      "started_at" timestamptz,
      "ended_at" timestamptz,
      "next_try_at" timestamptz,
      "fault" text,
      "result" text,
      CONSTRAINT "ended_work_has_day" CHECK (("state" IN ('waiting', 'running')) = ("ended_at" IS NULL)))`);
    // Two backups at once would only wait for each other.
    await runner.query(
      `CREATE UNIQUE INDEX "open_work_once" ON "work" ("kind") WHERE "state" IN ('waiting', 'running')`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "work"`);
  }
}
