/** The shop's settings in the database. */
import { type Shop, shopSchema } from '@low-quarry/core/model/shop';
import type { EntityManager } from 'typeorm';
import { ShopEntity } from './ShopEntity';

const THE_SHOP = 1;

export class ShopStore {
  constructor(private readonly manager: EntityManager) {}

  /** null in a new database. */
  async find(): Promise<Shop | null> {
    return (await this.findWithKind())?.settings ?? null;
  }

  /** The settings, and whether this is the demo shop. */
  async findWithKind(): Promise<{ readonly settings: Shop; readonly isDemo: boolean } | null> {
    const row = await this.manager.findOneBy(ShopEntity, { id: THE_SHOP });
    return row && { settings: shopSchema.parse(row.settings), isDemo: row.is_demo };
  }

  async get(): Promise<Shop> {
    const shop = await this.find();
    if (!shop) throw new Error('ShopStore.get: expected a shop, got an empty database');
    return shop;
  }

  async getWithVersion(): Promise<{ readonly version: number; readonly settings: Shop }> {
    const row = await this.manager.findOneBy(ShopEntity, { id: THE_SHOP });
    if (!row) throw new Error('ShopStore.getWithVersion: expected a shop, got an empty database');
    return { version: row.version, settings: shopSchema.parse(row.settings) };
  }

  /** Replaces the settings if they still have the given version; tells whether it did. */
  async replace(version: number, settings: Shop): Promise<boolean> {
    const change = { settings, version: version + 1 };
    return (await this.manager.update(ShopEntity, { id: THE_SHOP, version }, change)).affected === 1;
  }

  async insert(settings: Shop, { isDemo }: { readonly isDemo: boolean }): Promise<void> {
    await this.manager.insert(ShopEntity, { id: THE_SHOP, settings, is_demo: isDemo });
  }
}
