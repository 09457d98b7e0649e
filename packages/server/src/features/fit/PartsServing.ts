/** Gathers what the few speakers that serve the most are looked for in: the library, and the openings of the cars that came. */
import { MOST_SERVED, type SERVED_BY, type ServesMost } from '@low-quarry/core/contracts/servesMost';
import type { EntityManager } from 'typeorm';
import type { RunTask } from '../../tasks/tasks';
import { SettingsStore } from '../settings/SettingsStore';

type Kept = { readonly kept: string };

export class PartsServing {
  constructor(
    private readonly manager: EntityManager,
    private readonly runTask: RunTask,
  ) {}

  async most(by: (typeof SERVED_BY)[number], gone: AbortSignal): Promise<ServesMost> {
    const parts: Kept[] = await this.manager.query(
      `SELECT "record"::text AS "kept" FROM "part" WHERE "kind" IN ('speaker', 'bracket', 'spacer', 'harnessAdapter') ORDER BY "label", "id"`,
    );
    const openings: Kept[] = await this.manager.query(
      `SELECT "opening"."record"::text AS "kept" FROM "opening" JOIN "job" ON "job"."id" = "opening"."job_id"
        WHERE "job"."deleted_at" IS NULL ORDER BY "job"."number" DESC, "opening"."position" LIMIT $1`,
      [MOST_SERVED],
    );
    const [{ total }] = await this.manager.query(
      `SELECT count(*)::int AS "total" FROM "opening" JOIN "job" ON "job"."id" = "opening"."job_id" WHERE "job"."deleted_at" IS NULL`,
    );
    const shop = await new SettingsStore(this.manager).get();
    const given = { by, shop, kept: parts.map(({ kept }) => kept), openings: openings.map(({ kept }) => kept) };
    const found = await this.runTask('servingOf', given, () => {}, gone);
    return { ...found, older: total - openings.length };
  }
}
