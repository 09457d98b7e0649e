/**
 * Where the openings of jobs stand. A verdict costs milliseconds, and a list has a hundred of them: each is kept with the versions of
 * everything that it follows from (the opening, the choice, the settings, the parts it names, everything that plugs into anything),
 * and worked out anew as soon as one of these is another.
 */
import { listedRecordSchema, type OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { EntityManager } from 'typeorm';
import { ChoicesStore } from '../choices/ChoicesStore';
import { fittingFrom, partIdsOf } from '../fit/Fitting';
import { PartsStore } from '../library/PartsStore';
import { OpeningsStore, type StoredOpening } from '../openings/OpeningsStore';
import { SettingsStore } from '../settings/SettingsStore';
import { openingState } from './openingState';
import type { ListedOpening, StateCache } from './StateCache';

/** An opening as far as it takes to know whether anything has changed: `xmin` is the transaction that wrote a row last. */
type Ref = {
  readonly id: string;
  readonly job_id: string;
  readonly opening_by: string;
  readonly choice_by: string | null;
  readonly speaker_id: string | null;
  readonly layer_ids: readonly string[] | null;
};

const REFS = `SELECT "opening"."id", "opening"."job_id", "opening"."xmin"::text AS "opening_by",
    "choice"."xmin"::text AS "choice_by", "choice"."speaker_id", "choice"."layer_ids"
  FROM "opening" JOIN "job" ON "job"."id" = "opening"."job_id"
  LEFT JOIN "choice" ON "choice"."opening_id" = "opening"."id"
  WHERE "opening"."job_id" = ANY($1) AND "job"."deleted_at" IS NULL ORDER BY "opening"."job_id", "opening"."position"`;

export class OpeningStates {
  private readonly openings: OpeningsStore;
  private readonly choices: ChoicesStore;
  private readonly parts: PartsStore;
  private readonly shop: SettingsStore;

  constructor(
    private readonly manager: EntityManager,
    private readonly cache: StateCache,
  ) {
    this.openings = new OpeningsStore(manager);
    this.choices = new ChoicesStore(manager);
    this.parts = new PartsStore(manager);
    this.shop = new SettingsStore(manager);
  }

  /** As lists show them: by job, in the order of the vehicle's list. */
  async listed(jobIds: readonly string[]): Promise<ReadonlyMap<string, readonly ListedOpening[]>> {
    const refs = await this.refsOf(jobIds);
    const keys = await this.keysOf(refs);
    const missing = refs.filter(({ id }) => !this.cache.get(keys.get(id) as string)).map(({ id }) => id);
    const found = new Map(missing.length > 0 ? await this.workOut(await this.openings.list(missing), keys) : []);
    const byJob = new Map<string, ListedOpening[]>(jobIds.map((id) => [id, []]));
    for (const { id, job_id } of refs) {
      const listed = found.get(id) ?? this.cache.get(keys.get(id) as string);
      if (listed) byJob.get(job_id)?.push(listed);
    }
    return byJob;
  }

  /** Whole, with what is chosen. */
  async ofJob(jobId: string): Promise<readonly OpeningWithState[]> {
    const openings = await this.openings.listOfJobs([jobId]);
    const keys = await this.keysOf(await this.refsOf([jobId]));
    const missing = openings.filter(({ id }) => !this.cache.get(keys.get(id) ?? ''));
    const found = new Map(missing.length > 0 ? await this.workOut(missing, keys) : []);
    const choices = await this.choices.listOfOpenings(openings.map(({ id }) => id));
    return openings.flatMap(({ unreadable: _, ...opening }) => {
      const listed = found.get(opening.id) ?? this.cache.get(keys.get(opening.id) ?? '');
      return listed ? [{ ...opening, choice: choices.get(opening.id)?.choice ?? null, state: listed.state }] : [];
    });
  }

  private refsOf(jobIds: readonly string[]): Promise<readonly Ref[]> {
    return this.manager.query(REFS, [jobIds]);
  }

  /** By opening: everything that its state follows from. */
  private async keysOf(refs: readonly Ref[]): Promise<ReadonlyMap<string, string>> {
    const { epoch } = await this.parts.stamp();
    const settings = await this.shop.writtenBy();
    const harness = await this.parts.harnessRevision();
    const named = new Map(refs.map((ref) => [ref.id, namedBy(ref)]));
    const revisions = await this.parts.revisions([...new Set([...named.values()].flat())]);
    return new Map(
      refs.map(({ id, opening_by, choice_by }) => {
        const parts = (named.get(id) ?? []).map((part) => revisions.get(part) ?? 'gone');
        const chosen = choice_by === null ? [] : [choice_by, settings, harness, ...parts];
        return [id, [epoch, id, opening_by, ...chosen].join(' ')];
      }),
    );
  }

  private async workOut(
    openings: readonly StoredOpening[],
    keys: ReadonlyMap<string, string>,
  ): Promise<readonly (readonly [string, ListedOpening])[]> {
    const choices = await this.choices.listOfOpenings(openings.map(({ id }) => id));
    const chosen = openings.filter(({ id }) => choices.has(id));
    const fitting = await fittingFrom(this.shop, this.parts)(
      chosen.map(({ record }) => record),
      [...choices.values()].map(({ choice }) => choice),
    );
    return openings.map((opening) => {
      const { id, record } = opening;
      const listed = {
        id,
        record: listedRecordSchema.parse(record),
        state: openingState(opening, choices.get(id), fitting),
      };
      const key = keys.get(id);
      if (key !== undefined) this.cache.set(key, listed);
      return [id, listed] as const;
    });
  }
}

function namedBy({ speaker_id, layer_ids }: Ref): readonly string[] {
  return speaker_id === null ? [] : partIdsOf({ speakerId: speaker_id, layerIds: layer_ids ?? [] });
}
