import { EntitySchema } from 'typeorm';
import type { PersonRow } from '../people/PersonEntity';

export type DeviceRow = {
  id: string;
  token_hash: string;
  name: string;
  /** When and by whom somebody last signed in here by password: what makes a PIN enough. */
  password_at: Date | null;
  password_by: string | null;
  opener?: PersonRow;
};

export const DeviceEntity = new EntitySchema<DeviceRow>({
  name: 'device',
  columns: {
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'pk_device' },
    token_hash: { type: 'text' },
    name: { type: 'text' },
    password_at: { type: 'timestamptz', nullable: true },
    password_by: { type: 'uuid', nullable: true },
  },
  uniques: [{ name: 'device_token', columns: ['token_hash'] }],
  relations: {
    opener: {
      type: 'many-to-one',
      target: 'person',
      joinColumn: { name: 'password_by', foreignKeyConstraintName: 'device_opened_by' },
    },
  },
});
