/** The shop's settings in the database. */
import { type Shop, shopSchema } from '@low-quarry/core/model/shop';
import type { EntityManager } from 'typeorm';
import { ShopEntity } from './ShopEntity';

const THE_SHOP = 1;

export class ShopStore {
  constructor(private readonly manager: EntityManager) {}

  /** null in a new database. */
  async find(): Promise<Shop | null> {
    const row = await this.manager.findOneBy(ShopEntity, { id: THE_SHOP });
    return row && shopSchema.parse(row.settings);
  }

  async get(): Promise<Shop> {
    const shop = await this.find();
    if (!shop) throw new Error('ShopStore.get: expected a shop, got an empty database');
    return shop;
  }

  async save(settings: Shop): Promise<void> {
    await this.manager.save(ShopEntity, { id: THE_SHOP, settings });
  }
}
