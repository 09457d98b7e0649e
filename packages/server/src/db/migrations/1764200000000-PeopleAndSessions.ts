import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Who works in the shop, at which devices, and since when. Of tokens and passwords only hashes are kept. */
export class PeopleAndSessions1764200000000 implements MigrationInterface {
  name = 'PeopleAndSessions1764200000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE "person" (
      "id" uuid NOT NULL,
      "version" integer NOT NULL DEFAULT 1,
      "name" text NOT NULL,
      "sign_in_name" text NOT NULL,
      "roles" jsonb NOT NULL,
      "active" boolean NOT NULL DEFAULT true,
      "password_hash" text NOT NULL,
      "pin_hash" text,
      "pin_failures" integer NOT NULL DEFAULT 0,
      CONSTRAINT "pk_person" PRIMARY KEY ("id"),
      CONSTRAINT "person_name" UNIQUE ("sign_in_name"))`);
    await runner.query(`CREATE TABLE "device" (
      "id" uuid NOT NULL,
      "token_hash" text NOT NULL,
      "name" text NOT NULL,
      "password_at" timestamptz,
      "password_by" uuid,
      CONSTRAINT "pk_device" PRIMARY KEY ("id"),
      CONSTRAINT "device_token" UNIQUE ("token_hash"),
      CONSTRAINT "device_opened_by" FOREIGN KEY ("password_by") REFERENCES "person"("id"))`);
    await runner.query(`CREATE TABLE "session" (
      "id" uuid NOT NULL,
      "token_hash" text NOT NULL,
      "former_hash" text,
      "person_id" uuid NOT NULL,
      "device_id" uuid NOT NULL,
      "created_at" timestamptz NOT NULL,
      "rotated_at" timestamptz NOT NULL,
      "seen_at" timestamptz NOT NULL,
      CONSTRAINT "pk_session" PRIMARY KEY ("id"),
      CONSTRAINT "session_token" UNIQUE ("token_hash"),
      CONSTRAINT "session_of_person" FOREIGN KEY ("person_id") REFERENCES "person"("id"),
      CONSTRAINT "session_at_device" FOREIGN KEY ("device_id") REFERENCES "device"("id"))`);
    await runner.query(`CREATE INDEX "session_former" ON "session" ("former_hash")`);
    await runner.query(`CREATE INDEX "session_person" ON "session" ("person_id")`);
    await runner.query(`CREATE TABLE "done_once" (
      "key" uuid NOT NULL,
      "person_id" uuid NOT NULL,
      "request_hash" text NOT NULL,
      "answer" jsonb,
      "at" timestamptz NOT NULL DEFAULT now(),
      CONSTRAINT "pk_done_once" PRIMARY KEY ("key"))`);
    // Until now every shop was the demo shop.
    await runner.query(`ALTER TABLE "shop" ADD "is_demo" boolean NOT NULL DEFAULT false`);
    await runner.query(`UPDATE "shop" SET "is_demo" = true`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "shop" DROP COLUMN "is_demo"`);
    for (const table of ['done_once', 'session', 'device', 'person']) await runner.query(`DROP TABLE "${table}"`);
  }
}
