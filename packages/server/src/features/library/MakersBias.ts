/**
 * How far makers lie off, by what was measured in hand. It follows from the parts of a maker that were measured and stands in each speaker of
 * his, so that devices and judgements get it with the part; nobody types it, and it makes no version of a part.
 */
import {
  type MakersBias as Bias,
  differencesFromCounted,
  type PartRecord,
  poolDifferences,
} from '@low-quarry/core/catalogue';
import type { EntityManager } from 'typeorm';
import { readRecords } from './readRecords';

export class MakersBias {
  constructor(private readonly manager: EntityManager) {}

  /** Works it out anew for makers of whom a part came, went or changed; whoever was never measured is passed over. */
  async renew(makers: Iterable<string>): Promise<void> {
    const asked = [...new Set(makers)];
    if (asked.length === 0) return;
    const concerned: { maker: string }[] = await this.manager.query(
      `SELECT DISTINCT "record" ->> 'maker' AS "maker" FROM "part" WHERE "kind" = 'speaker' AND "record" ->> 'maker' = ANY($1)
        AND ("record" -> 'inHand' <> '[]' OR "record" -> 'makersBias' <> '[]')`,
      [asked],
    );
    for (const { maker } of concerned) await this.renewOne(maker);
  }

  private async renewOne(maker: string): Promise<void> {
    const rows: { id: string; record: unknown }[] = await this.manager.query(
      `SELECT "id", "record" FROM "part" WHERE "kind" = 'speaker' AND "record" ->> 'maker' = $1 AND "record" -> 'inHand' <> '[]'`,
      [maker],
    );
    const measured = readRecords('part', rows).read;
    const biases = poolDifferences(
      measured.flatMap((part) => (part.kind === 'speaker' ? [differencesFromCounted(part)] : [])),
    );
    await this.manager.query(
      `UPDATE "part" SET "record" = jsonb_set("record", '{makersBias}', $2::jsonb) WHERE "kind" = 'speaker'
        AND "record" ->> 'maker' = $1 AND coalesce("record" -> 'makersBias', '[]') <> $2::jsonb`,
      [maker, JSON.stringify(biases)],
    );
  }
}

/**
 * A part that comes in, with what this shop's own parts say of its maker, and not what another shop's said.
 *
 * @param kept as it is kept here; nothing where it is new
 */
export function withOwnBias<Part extends PartRecord>(part: Part, kept: object | undefined): Part {
  if (part.kind !== 'speaker') return part;
  const own = (kept as { readonly makersBias?: readonly Bias[] } | undefined)?.makersBias ?? [];
  return { ...part, makersBias: own };
}

/** What is kept of a part, without what follows from others. */
export function withoutBias(kept: object): object {
  const { makersBias: _, ...rest } = kept as { readonly makersBias?: unknown };
  return rest;
}

/** Makers of speakers among these. */
export function makersOf(parts: Iterable<object | null>): readonly string[] {
  return [...parts].flatMap((part) => {
    const { kind, maker } = (part ?? {}) as { readonly kind?: unknown; readonly maker?: unknown };
    return kind === 'speaker' && typeof maker === 'string' ? [maker] : [];
  });
}
