/** Gathers what one speaker is judged in: the openings of the library and of all open jobs. */
import type { PlacesOfPart } from '@low-quarry/core/contracts/whereItFits';
import type { EntityManager } from 'typeorm';
import { notFound } from '../../http/AppError';
import type { RunTask } from '../../tasks/tasks';
import { type KeptRow, keptOf } from '../library/readRecords';
import { SettingsStore } from '../settings/SettingsStore';

type OpeningRow = KeptRow & { readonly jobId: string; readonly registration: string; readonly vehicleId: string };

export class PartPlaces {
  constructor(
    private readonly manager: EntityManager,
    private readonly runTask: RunTask,
  ) {}

  async of(partId: string, gone: AbortSignal): Promise<PlacesOfPart> {
    const parts: (KeptRow & { id: string })[] = await this.manager.query(
      `SELECT "id", "record"::text AS "kept" FROM "part" WHERE "id" = $1 OR "kind" IN ('bracket', 'spacer', 'harnessAdapter') ORDER BY "id"`,
      [partId],
    );
    if (!parts.some(({ id }) => id === partId)) throw notFound('part');
    const vehicles: KeptRow[] = await this.manager.query(
      `SELECT "record"::text AS "kept" FROM "vehicle" ORDER BY "id"`,
    );
    const openings: OpeningRow[] = await this.manager.query(
      `SELECT "opening"."record"::text AS "kept", "job"."id" AS "jobId", "job"."registration", "job"."vehicle_id" AS "vehicleId"
        FROM "opening" JOIN "job" ON "job"."id" = "opening"."job_id"
        WHERE "job"."ended_at" IS NULL AND "job"."deleted_at" IS NULL ORDER BY "job"."number", "opening"."position"`,
    );
    const shop = await new SettingsStore(this.manager).get();
    const given = { speakerId: partId, shop, kept: keptOf(parts), vehicles: keptOf(vehicles), openings };
    return this.runTask('placesOf', given, () => {}, gone);
  }
}
