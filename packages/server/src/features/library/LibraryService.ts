/** Corrects parts and vehicles of the library. What they are (id and kind) stays: that is their identity. */
import { type PartRecord, partName } from '@low-quarry/core/model/parts';
import { type VehicleRecord, vehicleName } from '@low-quarry/core/model/vehicle';
import type { EntityManager } from 'typeorm';
import { notFound, refused, versionConflict } from '../../http/AppError';
import type { History } from '../history/History';
import { PartsStore } from '../parts/PartsStore';
import { VehiclesStore } from '../vehicles/VehiclesStore';

type Versioned<Rec> = { readonly version: number; readonly record: Rec };

export class LibraryService {
  private readonly parts: PartsStore;
  private readonly vehicles: VehiclesStore;

  constructor(
    manager: EntityManager,
    private readonly history: History,
  ) {
    this.parts = new PartsStore(manager);
    this.vehicles = new VehiclesStore(manager);
  }

  async getPart(id: string): Promise<Versioned<PartRecord>> {
    const part = await this.parts.findPart(id);
    if (!part) throw notFound('part');
    return part;
  }

  async changePart(id: string, version: number, record: PartRecord): Promise<Versioned<PartRecord>> {
    const before = await this.getPart(id);
    requireSame('id', before.record.id, record.id);
    requireSame('kind', before.record.kind, record.kind);
    if (before.version !== version || !(await this.parts.replacePart(id, version, record)))
      throw versionConflict('this part', await this.getPart(id));
    await this.note('part', id, partName(record), version + 1, before.record, record);
    return { version: version + 1, record };
  }

  async getVehicle(id: string): Promise<Versioned<VehicleRecord>> {
    const vehicle = await this.vehicles.findWithVersion(id);
    if (!vehicle) throw notFound('vehicle');
    return vehicle;
  }

  async changeVehicle(id: string, version: number, record: VehicleRecord): Promise<Versioned<VehicleRecord>> {
    const before = await this.getVehicle(id);
    requireSame('id', before.record.id, record.id);
    if (before.version !== version || !(await this.vehicles.replace(id, version, record)))
      throw versionConflict('this vehicle', await this.getVehicle(id));
    await this.note('vehicle', id, vehicleName(record), version + 1, before.record, record);
    return { version: version + 1, record };
  }

  private note(
    kind: 'part' | 'vehicle',
    recordId: string,
    label: string,
    version: number,
    before: unknown,
    after: unknown,
  ): Promise<number> {
    return this.history.note({ kind, recordId, jobId: null, label, action: 'changed', version, before, after });
  }
}

function requireSame(key: string, before: string, after: string): void {
  if (before === after) return;
  const message = `"${after}" was read; it stays "${before}": other records go by it.`;
  throw refused(message, [{ path: `record.${key}`, message }]);
}
