/** The vehicle library in the database. */
import type { FoundVehicles } from '@low-quarry/core/contracts/findVehicles';
import type { Variant, VehicleRecord } from '@low-quarry/core/model';
import { readStored, toStored } from '@low-quarry/core/records';
import type { EntityManager } from 'typeorm';
import { type FoundRecord, readRecords } from '../library/readRecords';
import { type SearchedWord, searchedWords } from './searchedWords';
import { VehicleEntity, type VehicleRow } from './VehicleEntity';

/** A word of a variant is like one that was typed from this similarity of their groups of three letters on; a slip in five letters leaves about 0.5. */
const LIKE_RATIO = 0.4;
/** Among so many that have some of the words the best are ranked; more is no search any more. */
const MOST_PARTIAL = 50;

type Asked = { readonly find: string; readonly page: number; readonly pageSize: number };

export class VehiclesStore {
  constructor(private readonly manager: EntityManager) {}

  /**
   * One page of the variants that have all words, or are written like them; where none has all, those that have most. The best
   * match first, then what was in the shop last.
   */
  async search({ find, page, pageSize }: Asked): Promise<FoundVehicles> {
    const words = searchedWords(find);
    return this.manager.transaction(async (manager) => {
      await prepareSearch(manager, words);
      const offset = (page - 1) * pageSize;
      const all = await listFound(manager, words, 'AND', offset, pageSize);
      const isPartial = all.total === 0 && words.length > 1 && words.some(({ kind }) => kind === 'word');
      const { rows, total } = isPartial ? await listFound(manager, words, 'OR', offset, pageSize) : all;
      const { read, unreadable } = readRecords('vehicle', rows);
      const jobs = new Map(rows.map(({ id, jobs: count }) => [id, count]));
      const counts = new Map(rows.map(({ id, openings }) => [id, openings]));
      const found = read.map(({ openings: _, beganAs: _began, note: _note, functions: _functions, ...variant }) => ({
        ...variant,
        openings: counts.get(variant.id) ?? 0,
        jobs: jobs.get(variant.id) ?? 0,
      }));
      return { found, total, isPartial, unreadable: [...unreadable] };
    });
  }

  /** Variants of this make and model, in whatever case they are written. */
  async listNamed(make: string, model: string): Promise<readonly VehicleRecord[]> {
    const rows = await this.manager
      .createQueryBuilder(VehicleEntity, 'vehicle')
      .where(`plain_words("vehicle"."record" ->> 'make') = plain_words(:make)`, { make })
      .andWhere(`plain_words("vehicle"."record" ->> 'model') = plain_words(:model)`, { model })
      .getMany();
    return readRecords('vehicle', rows).read;
  }

  /** What tells each variant from others; what cannot be read is left out. */
  async listVariants(): Promise<readonly Pick<VehicleRecord, 'id' | keyof Variant>[]> {
    const rows: Pick<VehicleRow, 'id' | 'record'>[] = await this.manager.query(
      `SELECT "id", "record" - 'openings' - 'panels' || '{"openings": []}' AS "record" FROM "vehicle" ORDER BY "id"`,
    );
    return readRecords('vehicle', rows).read;
  }

  /** Nobody else adds or renames a vehicle until the transaction ends. */
  async lockNames(): Promise<void> {
    await this.manager.query(`SELECT pg_advisory_xact_lock(hashtext('vehicle names'))`);
  }

  /** With the record as it is kept, should it not be one that can be read. */
  async find(id: string): Promise<FoundRecord<VehicleRecord> | null> {
    const row = await this.manager.findOneBy(VehicleEntity, { id });
    return row && { version: row.version, kept: row.record, record: readStored('vehicle', row.record) };
  }

  /** Replaces a vehicle that still has the given version; tells whether it did. */
  async replace(id: string, version: number, record: VehicleRecord): Promise<boolean> {
    const kept = { record: toStored('vehicle', record), version: version + 1 };
    return (await this.manager.update(VehicleEntity, { id, version }, kept)).affected === 1;
  }

  async save(vehicles: readonly VehicleRecord[], version = 1): Promise<void> {
    await this.manager.insert(
      VehicleEntity,
      vehicles.map((record) => ({ id: record.id, record: toStored('vehicle', record), version })),
    );
  }

  /** Whether any job, also one in the bin, goes by it. */
  async isUsed(id: string): Promise<boolean> {
    const [{ used }] = await this.manager.query(`SELECT EXISTS (SELECT FROM "job" WHERE "vehicle_id" = $1) AS "used"`, [
      id,
    ]);
    return used;
  }

  async remove(id: string): Promise<void> {
    await this.manager.delete(VehicleEntity, { id });
  }
}

/**
 * The planner takes a comparison of letters for as cheap as one of numbers, and would look at every variant: where a word can be looked
 * up, the index is taken.
 */
export async function prepareSearch(manager: EntityManager, words: readonly SearchedWord[]): Promise<void> {
  const scan = words.some(({ kind }) => kind === 'word') ? 'off' : 'on';
  await manager.query(
    `SELECT set_config('pg_trgm.word_similarity_threshold', $1, true), set_config('enable_seqscan', $2, true)`,
    [String(LIKE_RATIO), scan],
  );
}

type FoundRow = { id: string; record: object; openings: number; jobs: number };

/** Whether a variant has a word: written in it, or like one of it; a year, when it was built. `$n` is the word. */
function hasWord({ kind }: SearchedWord, n: number): string {
  const written = `"found_by" LIKE '%' || $${n} || '%'`;
  switch (kind) {
    case 'short':
      return written;
    case 'word':
      return `(${written} OR $${n}::text <% "found_by")`;
    case 'year':
      return `(${written} OR ("year_from" <= $${n}::integer AND coalesce("year_to", 9999) >= $${n}::integer))`;
  }
}

/** The SELECT of a page and its parameters, so that a test can ask for its plan. */
export function searchStatement(
  words: readonly SearchedWord[],
  joint: 'AND' | 'OR',
  offset: number,
  limit: number,
): { readonly sql: string; readonly parameters: readonly unknown[] } {
  const has = words.map((word, at) => hasWord(word, at + 1));
  // A year, or two letters, are in too many to be a match by themselves.
  const wanted = joint === 'AND' ? has : has.filter((_, at) => words[at]?.kind === 'word');
  const rank = words.map(({ kind }, at) => {
    const begins = `(' ' || "found_by" LIKE '% ' || $${at + 1} || '%')::integer`;
    return kind === 'word' ? `word_similarity($${at + 1}, "found_by") + ${begins}` : begins;
  });
  const matched = joint === 'OR' ? has.map((each) => `(${each})::integer`).join(' + ') : '0';
  const most = joint === 'OR' ? `LIMIT ${MOST_PARTIAL}` : '';
  return {
    sql: `WITH "found" AS (
        SELECT "id", "record", ${matched} AS "matched", ${rank.join(' + ') || '0'} AS "rank" FROM "vehicle"
        ${wanted.length > 0 ? `WHERE ${wanted.join(` ${joint} `)}` : ''} ORDER BY 3 DESC, 4 DESC ${most}),
      "seen" AS (SELECT "vehicle_id", max("created_at") AS "last", count(*)::integer AS "jobs"
        FROM "job" WHERE "vehicle_id" IN (SELECT "id" FROM "found") AND "deleted_at" IS NULL GROUP BY "vehicle_id"),
      "page" AS (SELECT "found".*, "seen"."last", coalesce("seen"."jobs", 0) AS "jobs", count(*) OVER ()::integer AS "total"
        FROM "found" LEFT JOIN "seen" ON "vehicle_id" = "id"
        ORDER BY "matched" DESC, round("rank"::numeric, 2) DESC, "last" DESC NULLS LAST, "id"
        LIMIT ${limit} OFFSET ${offset})
      SELECT "id", ("record" - 'openings') || '{"openings": []}' AS "record", "jobs", "total",
        CASE jsonb_typeof("record" -> 'openings') WHEN 'array' THEN jsonb_array_length("record" -> 'openings') ELSE 0 END AS "openings"
      FROM "page" ORDER BY "matched" DESC, round("rank"::numeric, 2) DESC, "last" DESC NULLS LAST, "id"`,
    parameters: words.map(({ text }) => text),
  };
}

async function listFound(
  manager: EntityManager,
  words: readonly SearchedWord[],
  joint: 'AND' | 'OR',
  offset: number,
  limit: number,
): Promise<{ readonly rows: readonly FoundRow[]; readonly total: number }> {
  const { sql, parameters } = searchStatement(words, joint, offset, limit);
  const rows: (FoundRow & { total: number })[] = await manager.query(sql, [...parameters]);
  return { rows, total: rows[0]?.total ?? 0 };
}
