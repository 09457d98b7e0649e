import type { Role } from '@low-quarry/core/model';
import { EntitySchema } from 'typeorm';

export type PersonRow = {
  id: string;
  version: number;
  name: string;
  /** The name as it is compared: no two people may sign in alike. */
  sign_in_name: string;
  roles: Role[];
  active: boolean;
  password_hash: string;
  pin_hash: string | null;
  /** Wrong PINs in a row, at whatever device. */
  pin_failures: number;
  /** Of the address under which their calendar reads the bay's week; null where they have none. */
  feed_hash: string | null;
  feed_read_at: Date | null;
};

export const PersonEntity = new EntitySchema<PersonRow>({
  name: 'person',
  columns: {
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'pk_person' },
    version: { type: 'integer', default: 1 },
    name: { type: 'text' },
    sign_in_name: { type: 'text' },
    roles: { type: 'jsonb' },
    active: { type: 'boolean', default: true },
    password_hash: { type: 'text' },
    pin_hash: { type: 'text', nullable: true },
    pin_failures: { type: 'integer', default: 0 },
    feed_hash: { type: 'text', nullable: true },
    feed_read_at: { type: 'timestamptz', nullable: true },
  },
  uniques: [
    { name: 'person_name', columns: ['sign_in_name'] },
    { name: 'person_feed', columns: ['feed_hash'] },
  ],
});
