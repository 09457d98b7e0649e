import type { ConnectorRecord } from '@low-quarry/core/model/parts';
import { EntitySchema } from 'typeorm';

export type ConnectorRow = { id: string; record: ConnectorRecord };

export const ConnectorEntity = new EntitySchema<ConnectorRow>({
  name: 'connector',
  columns: {
    id: { type: 'text', primary: true, primaryKeyConstraintName: 'pk_connector' },
    record: { type: 'jsonb' },
  },
});
