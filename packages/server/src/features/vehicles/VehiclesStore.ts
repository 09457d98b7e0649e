/** The vehicle library in the database. */
import { type VehicleRecord, vehicleSchema } from '@low-quarry/core/model/vehicle';
import type { EntityManager } from 'typeorm';
import { VehicleEntity } from './VehicleEntity';

export class VehiclesStore {
  constructor(private readonly manager: EntityManager) {}

  async list(): Promise<readonly VehicleRecord[]> {
    const rows = await this.manager.find(VehicleEntity, { order: { id: 'ASC' } });
    return rows.map(({ record }) => vehicleSchema.parse(record));
  }

  async find(id: string): Promise<VehicleRecord | null> {
    const row = await this.manager.findOneBy(VehicleEntity, { id });
    return row && vehicleSchema.parse(row.record);
  }

  async findWithVersion(id: string): Promise<{ readonly version: number; readonly record: VehicleRecord } | null> {
    const row = await this.manager.findOneBy(VehicleEntity, { id });
    return row && { version: row.version, record: vehicleSchema.parse(row.record) };
  }

  /** Replaces a vehicle that still has the given version; tells whether it did. */
  async replace(id: string, version: number, record: VehicleRecord): Promise<boolean> {
    return (await this.manager.update(VehicleEntity, { id, version }, { record, version: version + 1 })).affected === 1;
  }

  async save(vehicles: readonly VehicleRecord[]): Promise<void> {
    await this.manager.insert(
      VehicleEntity,
      vehicles.map((record) => ({ id: record.id, record })),
    );
  }
}
