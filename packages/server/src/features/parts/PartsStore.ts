/** Parts and connectors in the database. */
import { type ConnectorRecord, connectorSchema, type PartRecord, partSchema } from '@low-quarry/core/model/parts';
import type { EntityManager } from 'typeorm';
import { ConnectorEntity } from './ConnectorEntity';
import { PartEntity } from './PartEntity';

export class PartsStore {
  constructor(private readonly manager: EntityManager) {}

  async listParts(): Promise<readonly PartRecord[]> {
    const rows = await this.manager.find(PartEntity, { order: { id: 'ASC' } });
    return rows.map(({ record }) => partSchema.parse(record));
  }

  async listConnectors(): Promise<readonly ConnectorRecord[]> {
    const rows = await this.manager.find(ConnectorEntity, { order: { id: 'ASC' } });
    return rows.map(({ record }) => connectorSchema.parse(record));
  }

  async saveParts(parts: readonly PartRecord[]): Promise<void> {
    await this.manager.insert(
      PartEntity,
      parts.map((record) => ({ id: record.id, kind: record.kind, record })),
    );
  }

  async saveConnectors(connectors: readonly ConnectorRecord[]): Promise<void> {
    await this.manager.insert(
      ConnectorEntity,
      connectors.map((record) => ({ id: record.id, record })),
    );
  }
}
