import type { PartRecord } from '@low-quarry/core/catalogue';
import { EntitySchema } from 'typeorm';
import { keptByDatabase } from '../../db/keptByDatabase';

export type PartRow = {
  id: string;
  kind: PartRecord['kind'];
  record: object;
  version: number;
  /** The catalogue's version at which it was last changed. */
  revision: number;
  /** Maker and name. */
  label: string;
  words: string;
  from_connector_id: string | null;
  to_connector_id: string | null;
};

export const PartEntity = new EntitySchema<PartRow>({
  name: 'part',
  columns: {
    id: { type: 'text', primary: true, primaryKeyConstraintName: 'pk_part' },
    kind: { type: 'text' },
    record: { type: 'jsonb' },
    version: { type: 'integer', default: 1 },
    revision: { type: 'integer', ...keptByDatabase },
    label: { type: 'text', ...keptByDatabase },
    words: { type: 'text', ...keptByDatabase },
    from_connector_id: { type: 'text', nullable: true, ...keptByDatabase },
    to_connector_id: { type: 'text', nullable: true, ...keptByDatabase },
  },
  indices: [
    { name: 'part_by_revision', columns: ['revision', 'id'] },
    { name: 'part_by_label', columns: ['label', 'id'] },
    { name: 'part_by_connector', columns: ['from_connector_id'] },
    { name: 'part_by_words', columns: ['words'], synchronize: false },
  ],
});
