import { EntitySchema } from 'typeorm';

export type SettingsRow = { id: number; settings: object; is_demo: boolean; version: number };

export const SettingsEntity = new EntitySchema<SettingsRow>({
  name: 'shop',
  columns: {
    id: { type: 'integer', primary: true, primaryKeyConstraintName: 'pk_shop' },
    settings: { type: 'jsonb' },
    is_demo: { type: 'boolean', default: false },
    version: { type: 'integer', default: 1 },
  },
  checks: [
    { name: 'one_shop', expression: '"id" = 1' },
    { name: 'shop_currency', expression: `coalesce("settings" ->> 'currency', 'XXX') ~ '^[A-Z]{3}$'` },
  ],
});
