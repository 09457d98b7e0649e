/**
 * Rankings that were worked out on this device: a catalogue of thousands takes seconds for an opening, and the answer is the same
 * as long as opening, rules, catalogue and program are. The longest unused go first.
 */
import type { FitOpening, FitRules, PackedRanking } from '@low-quarry/core/fit';
import type { CatalogueKeeping } from './KeptCatalogue';

/** Of up to a megabyte each. */
const MOST = 24;
const LIST = 'list';

export type RankingKey = { readonly version: string; readonly opening: FitOpening; readonly rules: FitRules };
type Slot = { readonly key: string; readonly slot: number };

export class RankingStore {
  private last: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly keeping: CatalogueKeeping,
    private readonly program: string,
  ) {}

  async read(key: RankingKey): Promise<PackedRanking | null> {
    const text = this.textOf(key);
    const found = (await this.slots()).find((each) => each.key === text);
    if (!found) return null;
    const [kept] = (await this.keeping.getMany([slotKey(found)])) as [
      { readonly key: string; readonly ranking: PackedRanking } | undefined,
    ];
    // Another tab may have taken the slot meanwhile.
    return kept?.key === text ? kept.ranking : null;
  }

  /** One after the other: two at once would take the same slot. */
  keep(key: RankingKey, ranking: PackedRanking): Promise<void> {
    const next = this.last.catch(() => {}).then(() => this.put(this.textOf(key), ranking));
    this.last = next;
    return next;
  }

  forget(): Promise<void> {
    return this.keeping.clear();
  }

  private async put(key: string, ranking: PackedRanking): Promise<void> {
    const slots = await this.slots();
    const before = slots.find((each) => each.key === key);
    const used = new Set(slots.map(({ slot }) => slot));
    const free = Array.from({ length: MOST }, (_, at) => at).find((at) => !used.has(at));
    const slot = before?.slot ?? free ?? slots.at(-1)?.slot ?? 0;
    const list = [{ key, slot }, ...slots.filter((each) => each.slot !== slot)];
    await this.keeping.setMany([
      [LIST, list],
      [slotKey({ slot }), { key, ranking }],
    ]);
  }

  /** The last kept first. */
  private async slots(): Promise<readonly Slot[]> {
    const [list] = (await this.keeping.getMany([LIST])) as [readonly Slot[] | undefined];
    return list ?? [];
  }

  private textOf({ version, opening, rules }: RankingKey): string {
    return JSON.stringify([this.program, version, opening, rules]);
  }
}

function slotKey({ slot }: Pick<Slot, 'slot'>): string {
  return `ranking ${slot}`;
}
