/** Parts and connectors in the database. */
import type { Unreadable } from '@low-quarry/core/contracts/catalogue';
import type { ConnectorRecord, PartRecord } from '@low-quarry/core/model/parts';
import { readStored, toStored } from '@low-quarry/core/records/storedRecord';
import type { EntityManager } from 'typeorm';
import { type FoundRecord, readRecords } from '../library/readRecords';
import { ConnectorEntity } from './ConnectorEntity';
import { PartEntity } from './PartEntity';

export class PartsStore {
  constructor(private readonly manager: EntityManager) {}

  /** Those that can be read. */
  async listParts(): Promise<readonly PartRecord[]> {
    return (await this.listAllParts()).parts;
  }

  async listAllParts(): Promise<{ readonly parts: readonly PartRecord[]; readonly unreadable: readonly Unreadable[] }> {
    const rows = await this.manager.find(PartEntity, { order: { id: 'ASC' } });
    const { read, unreadable } = readRecords('part', rows);
    return { parts: read, unreadable };
  }

  async listConnectors(): Promise<readonly ConnectorRecord[]> {
    return readRecords('connector', await this.manager.find(ConnectorEntity, { order: { id: 'ASC' } })).read;
  }

  /** With the record as it is kept, should it not be one that can be read. */
  async findPart(id: string): Promise<FoundRecord<PartRecord> | null> {
    const row = await this.manager.findOneBy(PartEntity, { id });
    return row && { version: row.version, kept: row.record, record: readStored('part', row.record) };
  }

  /** Replaces a part that still has the given version; tells whether it did. */
  async replacePart(id: string, version: number, record: PartRecord): Promise<boolean> {
    const change = { record: toStored('part', record), kind: record.kind, version: version + 1 };
    return (await this.manager.update(PartEntity, { id, version }, change)).affected === 1;
  }

  async saveParts(parts: readonly PartRecord[]): Promise<void> {
    await this.manager.insert(
      PartEntity,
      parts.map((record) => ({ id: record.id, kind: record.kind, record: toStored('part', record) })),
    );
  }

  async saveConnectors(connectors: readonly ConnectorRecord[]): Promise<void> {
    await this.manager.insert(
      ConnectorEntity,
      connectors.map((record) => ({ id: record.id, record: toStored('connector', record) })),
    );
  }
}
