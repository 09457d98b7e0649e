/** Gathers what is claimed and what was measured of speakers, and what it is held against. */
import type { Disagreements } from '@low-quarry/core/contracts/disagreements';
import type { EntityManager } from 'typeorm';
import type { RunTask } from '../../tasks/tasks';
import { type KeptRow, keptOf } from '../library/readRecords';
import { SettingsStore } from '../settings/SettingsStore';

export class Disagreeing {
  constructor(
    private readonly manager: EntityManager,
    private readonly runTask: RunTask,
  ) {}

  async all(gone: AbortSignal): Promise<Disagreements> {
    const parts: KeptRow[] = await this.manager.query(
      `SELECT "record"::text AS "kept" FROM "part" WHERE "kind" IN ('bracket', 'spacer', 'harnessAdapter')
        OR ("kind" = 'speaker' AND ("record" -> 'claims' <> '[]' OR "record" -> 'inHand' <> '[]')) ORDER BY "id"`,
    );
    const vehicles: KeptRow[] = await this.manager.query(
      `SELECT "record"::text AS "kept" FROM "vehicle" WHERE "id" IN (
        SELECT "claim" ->> 'vehicleId' FROM "part", jsonb_array_elements("record" -> 'claims') AS "claim"
        WHERE "part"."kind" = 'speaker' AND "part"."record" -> 'claims' <> '[]') ORDER BY "id"`,
    );
    const shop = await new SettingsStore(this.manager).get();
    return this.runTask('disagreementsOf', { shop, kept: keptOf(parts), vehicles: keptOf(vehicles) }, () => {}, gone);
  }
}
