import { EntitySchema } from 'typeorm';
import { keptByDatabase } from '../../db/keptByDatabase';

export type ConnectorRow = { id: string; record: object; revision: number };

export const ConnectorEntity = new EntitySchema<ConnectorRow>({
  name: 'connector',
  columns: {
    id: { type: 'text', primary: true, primaryKeyConstraintName: 'pk_connector' },
    record: { type: 'jsonb' },
    /** The catalogue's version at which it was last changed. */
    revision: { type: 'integer', ...keptByDatabase },
  },
});
