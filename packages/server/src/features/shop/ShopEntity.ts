import type { Shop } from '@low-quarry/core/model/shop';
import { EntitySchema } from 'typeorm';

export type ShopRow = { id: number; settings: Shop };

export const ShopEntity = new EntitySchema<ShopRow>({
  name: 'shop',
  columns: {
    id: { type: 'integer', primary: true, primaryKeyConstraintName: 'pk_shop' },
    settings: { type: 'jsonb' },
  },
  checks: [{ name: 'one_shop', expression: '"id" = 1' }],
});
