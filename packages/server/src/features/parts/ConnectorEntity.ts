import { EntitySchema } from 'typeorm';

export type ConnectorRow = { id: string; record: object };

export const ConnectorEntity = new EntitySchema<ConnectorRow>({
  name: 'connector',
  columns: {
    id: { type: 'text', primary: true, primaryKeyConstraintName: 'pk_connector' },
    record: { type: 'jsonb' },
  },
});
