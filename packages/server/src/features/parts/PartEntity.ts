import type { PartRecord } from '@low-quarry/core/model/parts';
import { EntitySchema } from 'typeorm';

export type PartRow = { id: string; kind: PartRecord['kind']; record: object; version: number };

export const PartEntity = new EntitySchema<PartRow>({
  name: 'part',
  columns: {
    id: { type: 'text', primary: true, primaryKeyConstraintName: 'pk_part' },
    kind: { type: 'text' },
    record: { type: 'jsonb' },
    version: { type: 'integer', default: 1 },
  },
});
