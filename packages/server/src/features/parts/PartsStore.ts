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

  async findPart(id: string): Promise<{ readonly version: number; readonly record: PartRecord } | null> {
    const row = await this.manager.findOneBy(PartEntity, { id });
    return row && { version: row.version, record: partSchema.parse(row.record) };
  }

  /** Replaces a part that still has the given version; tells whether it did. */
  async replacePart(id: string, version: number, record: PartRecord): Promise<boolean> {
    const change = { record, kind: record.kind, version: version + 1 };
    return (await this.manager.update(PartEntity, { id, version }, change)).affected === 1;
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
