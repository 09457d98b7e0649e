/** The vehicle library in the database. */
import type { Unreadable } from '@low-quarry/core/contracts/library';
import type { VehicleRecord } from '@low-quarry/core/model';
import { readStored, toStored } from '@low-quarry/core/records';
import type { EntityManager } from 'typeorm';
import { type FoundRecord, readRecords } from './readRecords';
import { VehicleEntity } from './VehicleEntity';

export class VehiclesStore {
  constructor(private readonly manager: EntityManager) {}

  async list(): Promise<{
    readonly vehicles: readonly VehicleRecord[];
    readonly unreadable: readonly Unreadable[];
  }> {
    const rows = await this.manager.find(VehicleEntity, { order: { id: 'ASC' } });
    const { read, unreadable } = readRecords('vehicle', rows);
    return { vehicles: read, unreadable };
  }

  /** With the record as it is kept, should it not be one that can be read. */
  async find(id: string): Promise<FoundRecord<VehicleRecord> | null> {
    const row = await this.manager.findOneBy(VehicleEntity, { id });
    return row && { version: row.version, kept: row.record, record: readStored('vehicle', row.record) };
  }

  /** Replaces a vehicle that still has the given version; tells whether it did. */
  async replace(id: string, version: number, record: VehicleRecord): Promise<boolean> {
    return (
      (
        await this.manager.update(
          VehicleEntity,
          { id, version },
          { record: toStored('vehicle', record), version: version + 1 },
        )
      ).affected === 1
    );
  }

  async save(vehicles: readonly VehicleRecord[]): Promise<void> {
    await this.manager.insert(
      VehicleEntity,
      vehicles.map((record) => ({ id: record.id, record: toStored('vehicle', record) })),
    );
  }
}
