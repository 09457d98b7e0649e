/** Reads the history. Only `History` writes it. */
import type { Change } from '@low-quarry/core/contracts/history';
import { TYPED_BY_HAND } from '@low-quarry/core/contracts/typedByHand';
import type { ListSaid, RecordKind, ValueStep } from '@low-quarry/core/records';
import { readStored } from '@low-quarry/core/records';
import { type EntityManager, In, type SelectQueryBuilder } from 'typeorm';
import { findWords, likeWord } from '../../db/likeWord';
import { ChangeEntity, type ChangeRow } from './ChangeEntity';

export type HistoryQuery = {
  readonly kind?: RecordKind | undefined;
  readonly record?: string | undefined;
  readonly job?: string | undefined;
  readonly person?: string | undefined;
  readonly find?: string | undefined;
  readonly before?: number | undefined;
  /** Kinds that the reader may not see. */
  readonly without?: readonly RecordKind[];
};

type StepRow = {
  readonly at: Date;
  readonly person_name: string;
  readonly kind: 'part' | 'partsImport';
  readonly label: string;
  readonly said: object | null;
  readonly before: object | null;
  readonly after: object | null;
};

/** A part in today's form; one that is not readable any more as it was. */
function asToday(state: object): unknown {
  const read = readStored('part', state);
  return read.ok ? read.value : state;
}

/** So many of the last lines are looked through as they are; all of them by the index of words. */
const SCANNED = 3000;

export class HistoryStore {
  constructor(private readonly manager: EntityManager) {}

  /**
   * The last first. Words are looked for in what was changed, where, by whom and at which device.
   *
   * Of words alone the last lines are looked through first: a frequent word fills a page from them. What they have too little of is
   * rare, and the index finds it; the planner, who cannot know how rare a word is, is not left to choose.
   */
  async list(query: HistoryQuery, most: number): Promise<readonly Change[]> {
    const words = findWords(query.find ?? '');
    const isNarrow = query.record !== undefined || query.job !== undefined;
    if (words.length === 0 || isNarrow) return this.listIn(this.manager, query, words, most);
    const last = (query.before ?? ((await this.manager.maximum(ChangeEntity, 'id')) ?? 0) + 1) - 1;
    const found = await this.listIn(this.manager, query, words, most, last - SCANNED);
    return found.length >= most || last <= SCANNED ? found : this.listByWords(query, words, most);
  }

  /** What was said of the last list of a supplier that came in; null where nothing was. */
  async lastSaidOf(supplier: string): Promise<ListSaid | null> {
    const [found]: { said: ListSaid }[] = await this.manager.query(
      `SELECT "after" -> 'said' AS "said" FROM "change" WHERE "kind" = 'partsImport' AND "action" = 'created'
        AND lower("after" -> 'said' ->> 'supplier') = lower($1) ORDER BY "id" DESC LIMIT 1`,
      [supplier],
    );
    return found?.said ?? null;
  }

  private async listByWords(query: HistoryQuery, words: readonly string[], most: number): Promise<readonly Change[]> {
    return this.manager.transaction(async (manager) => {
      await manager.query('SET LOCAL enable_seqscan = off');
      // Found first, and put in order then: the other way round every line would be read. So it would where the planner took the
      // index of ids for the one that narrows: a sum it cannot look up there.
      const found = this.narrowed(manager, query, words, 0, 'change.id + 0').select('change.id', 'id');
      const rows: { id: number }[] = await manager.query(...withNewest(found.getQueryAndParameters(), most));
      return this.listOf(
        manager,
        rows.map(({ id }) => id),
      );
    });
  }

  private async listIn(
    manager: EntityManager,
    query: HistoryQuery,
    words: readonly string[],
    most: number,
    after = 0,
  ): Promise<readonly Change[]> {
    const rows = await this.narrowed(manager, query, words, after).orderBy('change.id', 'DESC').limit(most).getMany();
    return rows.map(toChange);
  }

  private async listOf(manager: EntityManager, ids: readonly number[]): Promise<readonly Change[]> {
    const rows = await manager.find(ChangeEntity, { where: { id: In([...ids]) }, order: { id: 'DESC' } });
    return rows.map(toChange);
  }

  private narrowed(
    manager: EntityManager,
    { kind, record, job, person, before, without = [] }: HistoryQuery,
    words: readonly string[],
    after: number,
    id: 'change.id' | 'change.id + 0' = 'change.id',
  ): SelectQueryBuilder<ChangeRow> {
    const query = manager.createQueryBuilder(ChangeEntity, 'change');
    if (without.length > 0) query.andWhere('change.kind NOT IN (:...without)', { without });
    if (record && kind === 'part') {
      // What a parts pack changed of it is behind the pack's line.
      query.andWhere(
        `((change.kind = 'part' AND change.record_id = :record) OR (change.kind = 'partsImport' AND EXISTS (
          SELECT 1 FROM "import_part" "of" WHERE "of"."part_id" = :record
            AND "of"."import_id"::text = change.record_id AND "of"."import_version" = change.version)))`,
        { record },
      );
    } else {
      if (kind) query.andWhere('change.kind = :kind', { kind });
      if (record) query.andWhere('change.record_id = :record', { record });
    }
    if (job) query.andWhere('change.job_id = :job', { job });
    if (person) query.andWhere('change.person_id = :person', { person });
    if (before) query.andWhere(`${id} < :before`, { before });
    if (after > 0) query.andWhere(`${id} > :after`, { after });
    for (const [at, word] of words.entries())
      query.andWhere(`change.words LIKE :word${at}`, { [`word${at}`]: historyPattern(word) });
    return query;
  }

  async find(id: number): Promise<Change | null> {
    const row = await this.manager.findOneBy(ChangeEntity, { id });
    return row && toChange(row);
  }

  /** The record's version as the history knows it, 0 where it knows none. */
  async lastVersion(kind: RecordKind, recordId: string): Promise<number> {
    return (await this.manager.maximum(ChangeEntity, 'version', { kind, record_id: recordId })) ?? 0;
  }

  /** What changed a part, by itself or among many, the last first; states as they are read today. */
  async stepsOfPart(partId: string): Promise<readonly ValueStep[]> {
    const rows: StepRow[] = await this.manager.query(
      `SELECT "at", "person_name", "kind", "label", "said", "before", "after" FROM (
          SELECT "id", "at", "person_name", "kind", '' AS "label", NULL::jsonb AS "said", "before", "after"
            FROM "change" WHERE "kind" = 'part' AND "record_id" = $1
          UNION ALL SELECT "change"."id", "at", "person_name", "change"."kind", "label",
            coalesce("change"."after", "change"."before") -> 'said', "of"."before", "of"."after"
            FROM "import_part" "of" JOIN "change" ON "change"."kind" = 'partsImport'
              AND "change"."record_id" = "of"."import_id"::text AND "change"."version" = "of"."import_version"
            WHERE "of"."part_id" = $1) AS "step" ORDER BY "id" DESC`,
      [partId],
    );
    return rows.map(({ at, person_name, kind, label, said, before, after }) => ({
      at: at.toISOString(),
      by: person_name,
      grade: kind === 'part' || label === TYPED_BY_HAND ? 'typed' : said === null ? 'pack' : 'list',
      from: kind === 'part' || label === TYPED_BY_HAND ? '' : label,
      before: before && asToday(before),
      after: after && asToday(after),
    }));
  }

  /**
   * Who else wrote of a record than this person, by name; null where the history does not hold all of its versions, and nobody
   * knows.
   */
  async otherAuthors(
    kind: RecordKind,
    recordId: string,
    version: number,
    personId: string,
  ): Promise<readonly string[] | null> {
    const [{ versions, others }] = await this.manager.query(
      `SELECT count(DISTINCT "version")::integer AS "versions",
        coalesce(array_agg(DISTINCT "person_name") FILTER (WHERE "person_id" IS DISTINCT FROM $3), '{}') AS "others"
        FROM "change" WHERE "kind" = $1 AND "record_id" = $2`,
      [kind, recordId, personId],
    );
    return versions === version || others.length > 0 ? others : null;
  }

  async isOvertaken({ kind, recordId, version }: Change): Promise<boolean> {
    const later = await this.manager
      .createQueryBuilder(ChangeEntity, 'change')
      .where('change.kind = :kind AND change.record_id = :recordId AND change.version > :version', {
        kind,
        recordId,
        version,
      })
      .andWhere('change.undoes IS NULL')
      .andWhere('NOT EXISTS (SELECT 1 FROM "change" undo WHERE undo.undoes = change.id)')
      .getCount();
    return later > 0;
  }

  /** The last batch of a person's since a moment that was not itself an undo and was not taken back, the last change first. */
  async lastUndoable(personId: string, since: Date): Promise<readonly Change[]> {
    const rows = await this.manager
      .createQueryBuilder(ChangeEntity, 'change')
      .where(
        `change.batch = (SELECT last.batch FROM "change" last
          WHERE last.person_id = :personId AND last.at >= :since AND last.undoes IS NULL AND last.kind <> 'person'
            AND NOT EXISTS (SELECT 1 FROM "change" later WHERE later.undoes = last.id)
          ORDER BY last.id DESC LIMIT 1)`,
        { personId, since },
      )
      .orderBy('change.id', 'DESC')
      .getMany();
    return rows.map(toChange);
  }
}

/** A word of two letters has no three of them for the index: it is looked for where words begin. */
function historyPattern(word: string): string {
  return word.length < 3 ? `% ${likeWord(word).slice(1)}` : likeWord(word);
}

function withNewest([sql, parameters]: [string, unknown[]], most: number): [string, unknown[]] {
  return [
    `WITH "found" AS MATERIALIZED (${sql}) SELECT "id" FROM "found" ORDER BY "id" DESC LIMIT $${parameters.length + 1}`,
    [...parameters, most],
  ];
}

export function toChange(row: ChangeRow): Change {
  return {
    id: row.id,
    at: row.at.toISOString(),
    personId: row.person_id,
    personName: row.person_name,
    deviceName: row.device_name,
    kind: row.kind,
    recordId: row.record_id,
    jobId: row.job_id,
    label: row.label,
    action: row.action,
    version: row.version,
    before: stateOf(row.kind, row.before),
    after: stateOf(row.kind, row.after),
    undoes: row.undoes,
  };
}

/** In today's form; a state that cannot be brought to it stays as it is kept, for a person to read. */
function stateOf(kind: RecordKind, state: unknown): unknown {
  if (state === null) return null;
  const read = readStored(kind, state);
  return read.ok ? read.value : state;
}
