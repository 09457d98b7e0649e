import { EntitySchema } from 'typeorm';
import type { PersonRow } from '../people/PersonEntity';
import type { DeviceRow } from './DeviceEntity';

export type SessionRow = {
  id: string;
  token_hash: string;
  /** The token before the last rotation: requests that were on their way are still answered. */
  former_hash: string | null;
  person_id: string;
  device_id: string;
  created_at: Date;
  rotated_at: Date;
  seen_at: Date;
  /** When the password was last typed in this session; null after a PIN only. */
  password_at: Date | null;
  person?: PersonRow;
  device?: DeviceRow;
};

export const SessionEntity = new EntitySchema<SessionRow>({
  name: 'session',
  columns: {
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'pk_session' },
    token_hash: { type: 'text' },
    former_hash: { type: 'text', nullable: true },
    person_id: { type: 'uuid' },
    device_id: { type: 'uuid' },
    created_at: { type: 'timestamptz' },
    rotated_at: { type: 'timestamptz' },
    seen_at: { type: 'timestamptz' },
    password_at: { type: 'timestamptz', nullable: true },
  },
  uniques: [{ name: 'session_token', columns: ['token_hash'] }],
  indices: [
    { name: 'session_former', columns: ['former_hash'] },
    { name: 'session_person', columns: ['person_id'] },
  ],
  relations: {
    person: {
      type: 'many-to-one',
      target: 'person',
      nullable: false,
      joinColumn: { name: 'person_id', foreignKeyConstraintName: 'session_of_person' },
    },
    device: {
      type: 'many-to-one',
      target: 'device',
      nullable: false,
      joinColumn: { name: 'device_id', foreignKeyConstraintName: 'session_at_device' },
    },
  },
});
