/** Where parts are chosen: in which openings of open jobs, how they were judged when they were chosen, and how they are now. */
import {
  type ChosenParts,
  isJudgedOtherwise,
  MOST_USES_TOLD,
  type PartUse,
} from '@low-quarry/core/contracts/chosenParts';
import { placeLabel } from '@low-quarry/core/model';
import type { EntityManager } from 'typeorm';
import { NAMES_ONE_OF } from '../library/PartsStore';
import type { OpeningStates } from './OpeningStates';
import type { ListedOpening } from './StateCache';

type Row = {
  readonly jobId: string;
  readonly openingId: string;
  readonly registration: string;
  readonly speaker: string;
};

const CHOSEN = `FROM "choice" JOIN "opening" ON "opening"."id" = "choice"."opening_id" JOIN "job" ON "job"."id" = "opening"."job_id"
  LEFT JOIN "part" ON "part"."id" = "choice"."speaker_id" WHERE "job"."deleted_at" IS NULL AND ($1::text[] IS NULL OR ${NAMES_ONE_OF})`;

export class PartsChosen {
  constructor(
    private readonly manager: EntityManager,
    private readonly states: OpeningStates,
  ) {}

  /** @param partId null for whatever part */
  async of(partId: string | null): Promise<ChosenParts> {
    const asked = [partId === null ? null : [partId]];
    const rows: Row[] = await this.manager.query(
      `SELECT "job"."id" AS "jobId", "opening"."id" AS "openingId", "job"."registration",
        coalesce("part"."label", "choice"."speaker_id") AS "speaker"
        ${CHOSEN} AND "job"."ended_at" IS NULL ORDER BY "job"."number", "opening"."position"`,
      asked,
    );
    const [{ ended }] = await this.manager.query(
      `SELECT count(*)::int AS "ended" ${CHOSEN} AND "job"."ended_at" IS NOT NULL`,
      asked,
    );
    const listed = await this.states.listed([...new Set(rows.map(({ jobId }) => jobId))]);
    const uses = rows.flatMap((row) => {
      const opening = listed.get(row.jobId)?.find(({ id }) => id === row.openingId);
      return opening ? [toUse(row, opening)] : [];
    });
    const otherwise = uses.filter(isJudgedOtherwise);
    return {
      uses: [...otherwise, ...uses.filter((use) => !isJudgedOtherwise(use))].slice(0, MOST_USES_TOLD),
      counts: { open: uses.length, otherwise: otherwise.length },
      ended,
    };
  }
}

function toUse({ jobId, openingId, registration, speaker }: Row, { record, state }: ListedOpening): PartUse {
  const use = { jobId, openingId, registration, speaker, opening: placeLabel(record) };
  if (state.kind === 'chosen')
    return { ...use, was: state.verdictThen, is: state.summary.verdict, heldBack: state.heldBack };
  return { ...use, was: null, is: null, heldBack: 'sentence' in state ? state.sentence : 'It cannot be judged.' };
}
