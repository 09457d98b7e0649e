/** Choices in the database. */
import type { Choice } from '@low-quarry/core/contracts/openings';
import type { Verdict } from '@low-quarry/core/fit';
import { worksSchema } from '@low-quarry/core/model';
import { readStoredSnapshot, type Snapshot, toStoredSnapshot } from '@low-quarry/core/records';
import { type EntityManager, In } from 'typeorm';
import { ChoiceEntity, type ChoiceRow } from './ChoiceEntity';

export type StoredChoice = {
  readonly openingId: string;
  readonly choice: Choice;
  readonly verdictWhenChosen: Verdict;
  readonly snapshot: Snapshot | null;
  /** What is kept of its work by hand cannot be read: it is not judged, and is shown without. */
  readonly isWorkUnreadable?: true;
};

export class ChoicesStore {
  constructor(private readonly manager: EntityManager) {}

  /** By the opening's id; openings without a choice are left out. */
  async listOfOpenings(openingIds: readonly string[]): Promise<ReadonlyMap<string, StoredChoice>> {
    const rows = await this.manager.findBy(ChoiceEntity, { opening_id: In([...openingIds]) });
    return new Map(rows.map((row) => [row.opening_id, toChoice(row)]));
  }

  /** How many choices of jobs that are not in the bin name each of these rings. */
  async countByLayer(layerIds: readonly string[]): Promise<ReadonlyMap<string, number>> {
    const rows: { id: string; count: number }[] = await this.manager.query(
      `SELECT "layer"."id", count(DISTINCT "choice"."opening_id")::int AS "count" FROM "choice"
        CROSS JOIN LATERAL jsonb_array_elements_text("choice"."layer_ids") AS "layer"("id")
        JOIN "opening" ON "opening"."id" = "choice"."opening_id" JOIN "job" ON "job"."id" = "opening"."job_id"
        WHERE "job"."deleted_at" IS NULL AND "layer"."id" = ANY($1) GROUP BY 1`,
      [layerIds],
    );
    return new Map(rows.map(({ id, count }) => [id, count]));
  }

  /** How many choices of jobs that are not in the bin are made with a plate cut from each of these sheets, by thickness. */
  async countByPlate(thicknessesMm: readonly number[]): Promise<ReadonlyMap<number, number>> {
    const rows: { mm: number; count: number }[] = await this.manager.query(
      `SELECT ("work"."value" ->> 'thicknessMm')::float8 AS "mm", count(DISTINCT "choice"."opening_id")::int AS "count" FROM "choice"
        CROSS JOIN LATERAL jsonb_array_elements("choice"."works") AS "work"("value")
        JOIN "opening" ON "opening"."id" = "choice"."opening_id" JOIN "job" ON "job"."id" = "opening"."job_id"
        WHERE "job"."deleted_at" IS NULL AND "work"."value" ->> 'kind' = 'cutPlate'
          AND ("work"."value" ->> 'thicknessMm')::float8 = ANY($1) GROUP BY 1`,
      [thicknessesMm],
    );
    return new Map(rows.map(({ mm, count }) => [mm, count]));
  }

  async save(choices: readonly StoredChoice[]): Promise<void> {
    await this.manager.upsert(
      ChoiceEntity,
      choices.map(({ openingId, choice, verdictWhenChosen, snapshot }) => ({
        opening_id: openingId,
        speaker_id: choice.speakerId,
        layer_ids: choice.layerIds,
        works: choice.works,
        answers: choice.answers,
        earlier_reason: choice.earlierReason,
        verdict_when_chosen: verdictWhenChosen,
        chosen_at: new Date(choice.chosenAt),
        version: choice.version,
        snapshot: snapshot && toStoredSnapshot(snapshot),
      })),
      ['opening_id'],
    );
  }

  async remove(openingId: string): Promise<boolean> {
    const result = await this.manager.delete(ChoiceEntity, { opening_id: openingId });
    return result.affected === 1;
  }
}

export function toChoice(row: ChoiceRow): StoredChoice {
  const works = worksSchema.safeParse(row.works);
  return {
    ...(works.success ? {} : { isWorkUnreadable: true }),
    openingId: row.opening_id,
    verdictWhenChosen: row.verdict_when_chosen,
    snapshot: row.snapshot === null ? null : readStoredSnapshot(row.snapshot),
    choice: {
      speakerId: row.speaker_id,
      layerIds: row.layer_ids,
      works: works.success ? works.data : [],
      answers: row.answers,
      earlierReason: row.earlier_reason,
      chosenAt: row.chosen_at.toISOString(),
      version: row.version,
    },
  };
}
