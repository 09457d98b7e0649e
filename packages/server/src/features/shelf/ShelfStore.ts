/** Lots on the shelf in the database. */
import type { ListedLot, ShelfLot } from '@low-quarry/core/contracts/shelf';
import type { Good, ShelfState } from '@low-quarry/core/model';
import { type EntityManager, In, IsNull, Not } from 'typeorm';
import { findWords, likeWord } from '../../db/likeWord';
import { PartEntity } from '../library/PartEntity';
import { ShelfEntity, type ShelfRow } from './ShelfEntity';

export type AskedLots = {
  /** That lot alone. */
  readonly id?: string | undefined;
  readonly find: string;
  readonly part?: string | undefined;
  readonly job?: string | undefined;
  /** The first is 1. */
  readonly page: number;
  readonly pageSize: number;
};

export type FreeGood = {
  readonly label: string;
  readonly kind: string;
  readonly type: string;
  readonly place: string;
  readonly pieces: number;
};

export type Counted = { readonly at: Date; readonly by: string };

export class ShelfStore {
  constructor(private readonly manager: EntityManager) {}

  /** By place, then part; what was counted first, first. */
  async list({ id, find, part, job, page, pageSize }: AskedLots): Promise<{ lots: ListedLot[]; total: number }> {
    const query = this.manager
      .createQueryBuilder(ShelfEntity, 'lot')
      .innerJoin('lot.part', 'part')
      .leftJoin('lot.job', 'job')
      .where('lot.removed_at IS NULL');
    for (const [at, word] of findWords(find).entries())
      query.andWhere(
        `(part.words LIKE :word${at} OR lower(lot.place) LIKE :word${at} OR lower(lot.from_order) LIKE :word${at} OR 's' || lot.number = :lot${at})`,
        { [`word${at}`]: likeWord(word), [`lot${at}`]: word },
      );
    if (id !== undefined) query.andWhere('lot.id = :id', { id });
    if (part !== undefined) query.andWhere('lot.part_id = :part', { part });
    if (job !== undefined) query.andWhere('lot.job_id = :job', { job });
    const total = await query.getCount();
    const rows: (ShelfRow & Joined)[] = await query
      .select('lot.*')
      .addSelect('part.label', 'label')
      .addSelect('part.kind', 'kind')
      .addSelect('job.number', 'job_number')
      .addSelect('job.registration', 'job_registration')
      .addSelect('job.ended_as IS NOT NULL OR job.deleted_at IS NOT NULL', 'job_is_over')
      .orderBy('lot.place')
      .addOrderBy('part.label')
      .addOrderBy('lot.number')
      .offset((page - 1) * pageSize)
      .limit(pageSize)
      .getRawMany();
    return { lots: rows.map(toListed), total };
  }

  async find(id: string, where: 'there' | 'removed' = 'there'): Promise<ShelfLot | null> {
    const removed_at = where === 'there' ? IsNull() : Not(IsNull());
    const row = await this.manager.findOneBy(ShelfEntity, { id, removed_at });
    return row && toLot(row);
  }

  async findNumbered(number: number): Promise<ShelfLot | null> {
    const row = await this.manager.findOneBy(ShelfEntity, { number, removed_at: IsNull() });
    return row && toLot(row);
  }

  /** Free ones of these parts, and all that are put aside for the job. */
  async forJob(jobId: string, partIds: readonly string[]): Promise<ShelfLot[]> {
    const rows = await this.manager.find(ShelfEntity, {
      where: [
        { job_id: jobId, removed_at: IsNull() },
        { job_id: IsNull(), part_id: In([...partIds]), removed_at: IsNull() },
      ],
      order: { number: 'ASC' },
    });
    return rows.map(toLot);
  }

  /** Free lots of goods, by their kind and type. */
  async freeOf(goods: readonly Good[]): Promise<readonly FreeGood[]> {
    if (goods.length === 0) return [];
    return this.manager.query(
      `SELECT "part"."label", "part"."kind", coalesce("part"."record" ->> 'type', "part"."record" ->> 'material') AS "type", "lot"."place", "lot"."pieces"
        FROM "shelf_lot" "lot" JOIN "part" ON "part"."id" = "lot"."part_id"
        WHERE "lot"."job_id" IS NULL AND "lot"."removed_at" IS NULL AND "lot"."pieces" > 0
          AND "part"."kind" = ANY($1)
          AND coalesce("part"."record" ->> 'type', "part"."record" ->> 'material') = ANY($2)
        ORDER BY "part"."label", "lot"."place", "lot"."number"`,
      [goods.map(({ kind }) => kind), goods.flatMap(({ types }) => types)],
    );
  }

  listOf(jobId: string): Promise<ShelfLot[]> {
    return this.forJob(jobId, []);
  }

  async insert(id: string, state: ShelfState, counted: Counted): Promise<void> {
    await this.manager.insert(ShelfEntity, { id, ...columnsOf(state), ...countedOf(counted) });
  }

  /**
   * Changes a lot that still has the given version; tells whether it did. So do those below.
   *
   * @param counted null where nobody counted it anew
   */
  change(id: string, version: number, state: ShelfState, counted: Counted | null): Promise<boolean> {
    return this.update(id, version, { ...columnsOf(state), ...(counted && countedOf(counted)), removed_at: null });
  }

  remove(id: string, version: number, at: Date): Promise<boolean> {
    return this.update(id, version, { removed_at: at });
  }

  /** Maker and name of these parts. */
  async labels(partIds: readonly string[]): Promise<ReadonlyMap<string, string>> {
    const rows = await this.manager.find(PartEntity, {
      where: { id: In([...partIds]) },
      select: { id: true, label: true },
    });
    return new Map(rows.map(({ id, label }) => [id, label]));
  }

  /** How many lots of these parts are on the shelf. */
  countOf(partIds: readonly string[]): Promise<number> {
    return this.manager.countBy(ShelfEntity, { part_id: In([...partIds]), removed_at: IsNull() });
  }

  /** What was taken off the shelf of parts that go for good goes with them. */
  async forgetRemoved(partIds: readonly string[]): Promise<void> {
    await this.manager.delete(ShelfEntity, { part_id: In([...partIds]), removed_at: Not(IsNull()) });
  }

  private async update(id: string, version: number, change: Partial<ShelfRow>): Promise<boolean> {
    const { part: _part, job: _job, ...columns } = change;
    const { affected } = await this.manager.update(ShelfEntity, { id, version }, { ...columns, version: version + 1 });
    return affected === 1;
  }
}

type Joined = {
  readonly label: string;
  readonly kind: ListedLot['kind'];
  readonly job_number: number | null;
  readonly job_registration: string | null;
  readonly job_is_over: boolean | null;
};

function countedOf({ at, by }: Counted) {
  return { counted_at: at, counted_by: by };
}

function columnsOf({ partId, place, pieces, from, jobId }: ShelfState) {
  return { part_id: partId, place, pieces, from_order: from, job_id: jobId };
}

export function toLot(row: ShelfRow): ShelfLot {
  return {
    id: row.id,
    version: row.version,
    number: row.number,
    partId: row.part_id,
    place: row.place,
    pieces: row.pieces,
    from: row.from_order,
    jobId: row.job_id,
    countedAt: row.counted_at.toISOString(),
    countedBy: row.counted_by,
  };
}

function toListed(row: ShelfRow & Joined): ListedLot {
  const { label, kind, job_number: number, job_registration: registration, job_is_over: isOver } = row;
  const job = number === null ? null : { number, registration: registration ?? '', isOver: isOver ?? false };
  return { ...toLot(row), label, kind, job };
}
