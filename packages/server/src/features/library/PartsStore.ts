/** Parts and connectors in the database: searched, joined and read by id; the whole catalogue is read by nobody at once. */

import {
  asKnown,
  COST_UNKNOWN,
  type ConnectorRecord,
  type FigureRanges,
  figuresOf,
  type HarnessAdapterRecord,
  NEEDED_FIGURES,
  type PartKind,
  type PartRecord,
  partSays,
  pieceCostMinor,
  RANGED,
  type Ranged,
  READ_AS,
  STATE_MARK,
} from '@low-quarry/core/catalogue';
import type { CatalogueChanges, CataloguePlace } from '@low-quarry/core/contracts/catalogue';
import type { FoundPart, OpenFigures } from '@low-quarry/core/contracts/findParts';
import type { PartSets } from '@low-quarry/core/contracts/library';
import type { Good } from '@low-quarry/core/model';
import { readStored, toStored } from '@low-quarry/core/records';
import { type EntityManager, In, type SelectQueryBuilder } from 'typeorm';
import { insertRows } from '../../db/insertRows';
import { findWords, likeWord } from '../../db/likeWord';
import { ConnectorEntity } from './ConnectorEntity';
import { PartEntity, type PartRow } from './PartEntity';
import { type FoundRecord, readRecords } from './readRecords';

/** Connectors that are reached from some, over any number of harness adapters. */
const REACHED = `WITH RECURSIVE "reached" ("id") AS (
  SELECT unnest($1::text[]) UNION SELECT "part"."to_connector_id" FROM "part"
    JOIN "reached" ON "part"."from_connector_id" = "reached"."id" WHERE "part"."to_connector_id" IS NOT NULL)`;

/** Of a choice: whether it names one of the parts `$1`, a bracket in whatever state. */
export const NAMES_ONE_OF = `("choice"."speaker_id" = ANY($1) OR EXISTS (
  SELECT 1 FROM jsonb_array_elements_text("choice"."layer_ids") AS "layer"("id")
  WHERE split_part("layer"."id", '${STATE_MARK}', 1) = ANY($1)))`;

/** What makes two states of a catalogue the same one, for whoever keeps what follows from it. */
export type CatalogueStamp = {
  readonly epoch: string;
  readonly version: number;
};

export type AskedParts = {
  readonly find: string;
  readonly kind?: PartKind | undefined;
  readonly open?: OpenFigures | undefined;
  readonly within?: FigureRanges;
  readonly size?: string | undefined;
  readonly speakerKind?: string | undefined;
  readonly made?: 'still' | undefined;
  /** By name unless another is said. */
  readonly by?: Ranged | undefined;
  readonly order?: 'up' | 'down';
  /** The first is 1. */
  readonly page: number;
  readonly pageSize: number;
};
/** A part as the text that is kept. */
export type KeptPart = { readonly id: string; readonly version: number; readonly kept: string };
export type FoundParts = {
  readonly found: FoundPart[];
  readonly total: number;
  /** Whether they have words like those that were asked for, and none has those. */
  readonly isLike: boolean;
};
type PartQuery = SelectQueryBuilder<PartRow>;

/** A word of a part is like one that was typed from this similarity of their groups of three letters on; a slip in five letters leaves about 0.5. */
const LIKE_RATIO = 0.4;
/** More than so many that are only like what was typed are no help. */
const MOST_LIKE = 50;
/** Of a shorter word, or a number, another is another one. */
const SHORTEST_LIKENED = 4;

function isLikened(word: string): boolean {
  return word.length >= SHORTEST_LIKENED && !/\d/.test(word);
}

/** Neither in the catalogue nor measured in hand. */
function lacking(key: (typeof NEEDED_FIGURES)[number]): string {
  const listed = `part.record -> '${key}' = 'null'`;
  const figure = READ_AS[key];
  if (!figure) return listed;
  return `(${listed} AND NOT jsonb_path_exists(part.record, '$.inHand[*].figure ? (@ == "${figure}")'))`;
}

/** Of a speaker's record what is open. */
const OPEN: Readonly<Record<OpenFigures, string>> = {
  lacking: `part.kind = 'speaker' AND (${NEEDED_FIGURES.map(lacking).join(' OR ')})`,
  doubted: `part.kind = 'speaker' AND jsonb_path_exists(part.record, '$.doubts[*] ? (@.settled == null)')`,
};

type Narrow = (query: PartQuery, words: readonly string[]) => PartQuery;

function narrowed(
  all: PartQuery,
  { find, kind, open, within = {}, size, speakerKind, made, by, order }: Omit<AskedParts, 'page' | 'pageSize'>,
  narrow: Narrow,
): PartQuery {
  const query = narrow(all, findWords(find));
  if (kind) query.andWhere('part.kind = :kind', { kind });
  if (open) query.andWhere(OPEN[open]);
  for (const ranged of RANGED) {
    const { least = null, most = null } = within[ranged] ?? {};
    if ((least !== null || most !== null) && ranged !== 'cost') query.andWhere(IS_SPEAKER);
    if (least !== null) query.andWhere(`${sqlOf(ranged)} >= :least_${ranged}`, { [`least_${ranged}`]: least });
    if (most !== null) query.andWhere(`${sqlOf(ranged)} <= :most_${ranged}`, { [`most_${ranged}`]: most });
  }
  if (size) query.andWhere(`${IS_SPEAKER} AND part.record ->> 'nominalSize' = :size`, { size });
  if (speakerKind) query.andWhere(`${IS_SPEAKER} AND part.record ->> 'speakerKind' = :speakerKind`, { speakerKind });
  if (made) query.andWhere(`coalesce(part.record -> 'isDiscontinued', 'false') = 'false'`);
  if (!by) return query;
  return query
    .orderBy(sqlOf(by), order === 'down' ? 'DESC' : 'ASC', 'NULLS LAST')
    .addOrderBy('part.label')
    .addOrderBy('part.id');
}

const IS_SPEAKER = `part.kind = 'speaker'`;

/** As the database reads a figure out of a record; there is an index for each. */
function sqlOf(ranged: Ranged): string {
  return ranged === 'cost' ? 'part_cost(part.record)' : `part_figure(part.record, '${ranged}')`;
}

/** With each of these words, by name. */
function exactly(query: PartQuery, words: readonly string[]): PartQuery {
  for (const [at, word] of words.entries())
    query.andWhere(`part.words LIKE :word${at}`, { [`word${at}`]: likeWord(word) });
  return query.orderBy('part.label').addOrderBy('part.id');
}

/** With words like these, the likest first. */
function likened(query: PartQuery, words: readonly string[]): PartQuery {
  const likeness: string[] = [];
  for (const [at, word] of words.entries()) {
    const name = `word${at}`;
    if (!isLikened(word)) {
      query.andWhere(`part.words LIKE :${name}`, { [name]: likeWord(word) });
      continue;
    }
    query.andWhere(`:${name}::text <% part.words`, { [name]: word });
    likeness.push(`word_similarity(:${name}::text, part.words)`);
  }
  return query
    .addSelect(`round((${likeness.join(' + ')})::numeric, 2)`, 'likeness')
    .orderBy('likeness', 'DESC')
    .addOrderBy('part.label')
    .addOrderBy('part.id');
}

/** What a list shows of a part's figures, and of its cost. */
function knownOf(part: PartRecord): FoundPart['figures'] {
  const cost = pieceCostMinor(part.offers);
  const figures = part.kind === 'speaker' ? figuresOf(asKnown(part)) : {};
  return cost === COST_UNKNOWN ? figures : { ...figures, cost };
}

/** A part as it is kept. */
export type StoredPart = { readonly kind: PartRecord['kind']; readonly version: number; readonly kept: object };

export type GoodsFound = {
  readonly id: string;
  readonly kind: string;
  readonly label: string;
  readonly type: string;
  /** Of what is sold by its length, m; null for what is counted. */
  readonly lengthM: number | null;
};

export class PartsStore {
  constructor(private readonly manager: EntityManager) {}

  async stamp(): Promise<CatalogueStamp> {
    const [stamp] = await this.manager.query(`SELECT "epoch", "version" FROM "catalogue"`);
    return stamp;
  }

  /** At which version of the catalogue each of these parts was last changed; what is no part is left out. */
  async revisions(ids: readonly string[]): Promise<ReadonlyMap<string, number>> {
    const rows: { id: string; revision: number }[] = await this.manager.query(
      `SELECT "id", "revision" FROM "part" WHERE "id" = ANY($1)`,
      [ids],
    );
    return new Map(rows.map(({ id, revision }) => [id, revision]));
  }

  /** At which version any connector or harness adapter was last changed, or any part taken away. */
  async harnessRevision(): Promise<number> {
    const [found] = await this.manager.query(
      `SELECT greatest((SELECT max("revision") FROM "connector"), (SELECT max("revision") FROM "part_gone"),
        (SELECT max("revision") FROM "part" WHERE "from_connector_id" IS NOT NULL)) AS "revision"`,
    );
    return found.revision ?? 0;
  }

  /** Sets that a part is a piece of, with how many of it are in each, by name. */
  async setsWith(partId: string): Promise<PartSets['sets']> {
    return this.manager.query(
      `SELECT "id", "label", (SELECT sum(("piece" ->> 'count')::int)::int
          FROM jsonb_array_elements("record" -> 'inBox') AS "piece" WHERE "piece" ->> 'partId' = $1) AS "count"
        FROM "part" WHERE "kind" = 'set' AND "record" -> 'inBox' @> jsonb_build_array(jsonb_build_object('partId', $1::text))
        ORDER BY "label", "id"`,
      [partId],
    );
  }

  /** As they are kept, whether they can be read or not. */
  async stored(ids: readonly string[]): Promise<ReadonlyMap<string, StoredPart>> {
    const rows: (StoredPart & { id: string })[] = await this.manager.query(
      `SELECT "id", "kind", "version", "record" AS "kept" FROM "part" WHERE "id" = ANY($1)`,
      [ids],
    );
    return new Map(rows.map(({ id, kind, version, kept }) => [id, { kind, version, kept }]));
  }

  /** Those of these connectors that the shop does not have. */
  async newConnectors(connectors: readonly ConnectorRecord[]): Promise<readonly ConnectorRecord[]> {
    const known = new Set((await this.listConnectors(connectors.map(({ id }) => id))).map(({ id }) => id));
    return connectors.filter(({ id }) => !known.has(id));
  }

  /** How many choices, of whatever job, name one of these parts. */
  async countChoicesOf(ids: readonly string[]): Promise<number> {
    const [{ count }] = await this.manager.query(
      `SELECT count(*)::int AS "count" FROM "choice" WHERE ${NAMES_ONE_OF}`,
      [ids],
    );
    return count;
  }

  async removeParts(ids: readonly string[]): Promise<void> {
    if (ids.length > 0) await this.manager.query('DELETE FROM "part" WHERE "id" = ANY($1)', [ids]);
  }

  /** New ones come in, known ones are replaced. */
  async putParts(
    parts: readonly { readonly id: string; readonly version: number; readonly kept: object }[],
  ): Promise<void> {
    const rows = parts.map(({ id, version, kept }) => ({
      id,
      kind: (kept as PartRecord).kind,
      record: kept,
      version,
    }));
    const replaced = `ON CONFLICT ("id") DO UPDATE SET "kind" = EXCLUDED."kind", "record" = EXCLUDED."record",
      "version" = EXCLUDED."version"`;
    await insertRows(this.manager, 'part', rows, replaced);
  }

  /** Those of these ids that can be read. */
  async listParts(ids: readonly string[]): Promise<readonly PartRecord[]> {
    const rows = await this.manager.findBy(PartEntity, { id: In([...new Set(ids)]) });
    return readRecords('part', rows).read;
  }

  /** Parts that are bought still, by kind and by their type or material. */
  async goodsOf(goods: readonly Good[]): Promise<readonly GoodsFound[]> {
    if (goods.length === 0) return [];
    return this.manager.query(
      `SELECT "id", "kind", "label", coalesce("record" ->> 'type', "record" ->> 'material') AS "type",
          ("record" ->> 'lengthM')::double precision AS "lengthM"
        FROM "part"
        WHERE "kind" = ANY($1) AND coalesce("record" ->> 'type', "record" ->> 'material') = ANY($2)
          AND ("record" ->> 'isDiscontinued')::boolean IS NOT TRUE
        ORDER BY "label", "id"`,
      [goods.map(({ kind }) => kind), goods.flatMap(({ types }) => types)],
    );
  }

  /** Every part as the JSON that is kept, with its version: read by whoever has a thread for it. */
  async listAllKept(): Promise<readonly KeptPart[]> {
    return this.manager.query(`SELECT "id", "version", "record"::text AS "kept" FROM "part" ORDER BY "id"`);
  }

  /**
   * Those of these parts that are not as they were, or gone; the others stay so until the transaction ends.
   *
   * @param was the version of each as `listAllKept` had it
   */
  async changedSince(was: ReadonlyMap<string, number>, ids: readonly string[]): Promise<readonly string[]> {
    const rows: { id: string; version: number }[] = await this.manager.query(
      `SELECT "id", "version" FROM "part" WHERE "id" = ANY($1) ORDER BY "id" FOR UPDATE`,
      [ids],
    );
    const now = new Map(rows.map(({ id, version }) => [id, version]));
    return ids.filter((id) => now.get(id) !== was.get(id));
  }

  /** Every part that can be read: for what goes through all of them at once, apart from what people do. */
  async listAllParts(): Promise<readonly PartRecord[]> {
    const rows: Pick<PartRow, 'id' | 'record'>[] = await this.manager.query(
      `SELECT "id", "record" FROM "part" ORDER BY "id"`,
    );
    return readRecords('part', rows).read;
  }

  /** Harness adapters that lead on from these connectors, over any number of them. */
  async listAdaptersFrom(connectorIds: readonly string[]): Promise<readonly HarnessAdapterRecord[]> {
    if (connectorIds.length === 0) return [];
    const rows: Pick<PartRow, 'id' | 'record'>[] = await this.manager.query(
      `${REACHED} SELECT "id", "record" FROM "part" WHERE "from_connector_id" IN (SELECT "id" FROM "reached") ORDER BY "id"`,
      [connectorIds],
    );
    return readRecords('part', rows).read.filter((part) => part.kind === 'harnessAdapter');
  }

  async listConnectors(ids: readonly string[]): Promise<readonly ConnectorRecord[]> {
    if (ids.length === 0) return [];
    return readRecords('connector', await this.manager.findBy(ConnectorEntity, { id: In([...new Set(ids)]) })).read;
  }

  async listAllConnectors(): Promise<readonly ConnectorRecord[]> {
    return readRecords('connector', await this.manager.find(ConnectorEntity, { order: { id: 'ASC' } })).read;
  }

  async hasConnector(id: string): Promise<boolean> {
    return (await this.listConnectors([id])).length > 0;
  }

  /** Parts whose id, name, or one of their numbers and other names, is just this, in whatever letters, by name. */
  async withCode(code: string): Promise<readonly Pick<FoundPart, 'id' | 'kind' | 'label'>[]> {
    const wanted = code.toLowerCase();
    // The words of a part have them all, and an index.
    return this.manager.query(
      `SELECT "id", "kind", "label" FROM "part" WHERE "words" LIKE $1 AND (lower("id") = $2
          OR lower("record" ->> 'name') = $2 OR lower("record" ->> 'number') = $2
          OR EXISTS (SELECT 1 FROM jsonb_path_query("record", '$.aliases[*]') AS "of"("text") WHERE lower("text" #>> '{}') = $2)
          OR EXISTS (SELECT 1 FROM jsonb_path_query("record", '$.offers[*].number') AS "of"("text") WHERE lower("text" #>> '{}') = $2))
        ORDER BY "label", "id"`,
      [likeWord(wanted), wanted],
    );
  }

  /** Parts that have every word; where none has, those that have words like them, at most `MOST_LIKE`. */
  async search(asked: AskedParts): Promise<FoundParts> {
    const exact = await this.pageOf(asked, exactly);
    if (exact.total > 0 || !findWords(asked.find).some(isLikened)) return { ...exact, isLike: false };
    return this.likening(async (store) => {
      const like = await store.pageOf(asked, likened);
      return { ...like, total: Math.min(like.total, MOST_LIKE), isLike: like.total > 0 };
    });
  }

  /** All that `search` finds, in its order, as the JSON that is kept. */
  async listFound(asked: Omit<AskedParts, 'page' | 'pageSize'>): Promise<readonly Omit<KeptPart, 'version'>[]> {
    const exact = await this.keptOf(asked, exactly);
    if (exact.length > 0 || !findWords(asked.find).some(isLikened)) return exact;
    return this.likening(async (store) => (await store.keptOf(asked, likened)).slice(0, MOST_LIKE));
  }

  private likening<Answer>(work: (store: PartsStore) => Promise<Answer>): Promise<Answer> {
    return this.manager.transaction(async (manager) => {
      // The planner takes a comparison of letters for as cheap as one of numbers, and would look at every part.
      await manager.query(
        `SELECT set_config('pg_trgm.word_similarity_threshold', $1, true), set_config('enable_seqscan', 'off', true)`,
        [String(LIKE_RATIO)],
      );
      return work(new PartsStore(manager));
    });
  }

  private async pageOf({ page, pageSize, ...asked }: AskedParts, narrow: Narrow): Promise<Omit<FoundParts, 'isLike'>> {
    const all = this.manager.createQueryBuilder(PartEntity, 'part').addSelect('part.label');
    const query = narrowed(all, asked, narrow);
    const [rows, total] = await query
      .offset((page - 1) * pageSize)
      .limit(pageSize)
      .getManyAndCount();
    const found = rows.map(({ id, kind: of, label, record }) => {
      const read = readStored('part', record);
      return {
        id,
        kind: of,
        label,
        ...(read.ok
          ? { says: partSays(read.value), unreadable: null, figures: knownOf(read.value) }
          : { says: '', unreadable: read.failure, figures: {} }),
      };
    });
    return { found, total };
  }

  private keptOf(
    asked: Omit<AskedParts, 'page' | 'pageSize'>,
    narrow: Narrow,
  ): Promise<readonly Omit<KeptPart, 'version'>[]> {
    const all = this.manager.createQueryBuilder(PartEntity, 'part').select('part.id', 'id');
    return narrowed(all.addSelect('part.record::text', 'kept'), asked, narrow).getRawMany();
  }

  /**
   * What changed after a place in the catalogue, in the order of its changes, as it is kept.
   *
   * @param after null for everything
   */
  async listChanges(after: CataloguePlace | null, most: number): Promise<CatalogueChanges> {
    const { epoch, version } = await this.stamp();
    const isAnother = after === null || after.epoch !== epoch;
    const { revision, id } = isAnother ? { revision: 0, id: '' } : after;
    const rows: { id: string; revision: number; record: unknown }[] = await this.manager.query(
      `SELECT "id", "revision", "record" FROM "part" WHERE ("revision", "id") > ($1, $2)
        ORDER BY "revision", "id" LIMIT $3`,
      [revision, id, most + 1],
    );
    const parts = rows.slice(0, most);
    const last = parts.at(-1);
    const [{ count }] = await this.manager.query(
      `SELECT count(*)::int AS "count" FROM "part" WHERE ("revision", "id") > ($1, $2)`,
      [revision, id],
    );
    const connectors: { record: unknown }[] = await this.manager.query(
      `SELECT "record" FROM "connector" WHERE "revision" >= $1 ORDER BY "id"`,
      [revision],
    );
    const gone: { id: string }[] = await this.manager.query(
      `SELECT "id" FROM "part_gone" WHERE "revision" >= $1 AND NOT EXISTS (SELECT 1 FROM "part" WHERE "part"."id" = "part_gone"."id")`,
      [revision],
    );
    const hasMore = rows.length > most;
    return {
      isWhole: isAnother,
      parts: parts.map(({ record }) => record),
      connectors: connectors.map(({ record }) => record),
      gone: isAnother ? [] : gone.map((each) => each.id),
      toCome: count - parts.length,
      // Once nothing is left, what changes next has a higher number than the catalogue has now.
      at: hasMore && last ? { epoch, revision: last.revision, id: last.id } : { epoch, revision: version + 1, id: '' },
      hasMore,
    };
  }

  /** With the record as it is kept, should it not be one that can be read. */
  async findPart(id: string): Promise<FoundRecord<PartRecord> | null> {
    const row = await this.manager.findOneBy(PartEntity, { id });
    return row && { version: row.version, kept: row.record, record: readStored('part', row.record) };
  }

  /** Replaces a part that still has the given version; tells whether it did. */
  async replacePart(id: string, version: number, record: PartRecord): Promise<boolean> {
    const change = { record: toStored('part', record), kind: record.kind, version: version + 1 };
    return (await this.manager.update(PartEntity, { id, version }, change)).affected === 1;
  }

  async saveParts(parts: readonly PartRecord[]): Promise<void> {
    const rows = parts.map((record) => ({
      id: record.id,
      kind: record.kind,
      record: toStored('part', record),
      version: 1,
    }));
    await insertRows(this.manager, 'part', rows);
  }

  async saveConnectors(connectors: readonly ConnectorRecord[]): Promise<void> {
    const rows = connectors.map((record) => ({ id: record.id, record: toStored('connector', record) }));
    await insertRows(this.manager, 'connector', rows);
  }
}
