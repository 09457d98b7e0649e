/** Adds vehicles to the library and corrects them. */

import type { FoundVehicles } from '@low-quarry/core/contracts/findVehicles';
import type { NewVehicle } from '@low-quarry/core/contracts/newVehicle';
import type { ListedTemplate } from '@low-quarry/core/contracts/vehicles';
import { openingsOfTemplate, panelsOfTemplate } from '@low-quarry/core/formats';
import {
  aroundOfOtherVariant,
  doublePanel,
  doublePlace,
  isSameVariant,
  mayDo,
  openingsOfOtherVariant,
  type Variant,
  type VehicleRecord,
  vehicleLabel,
  vehicleName,
} from '@low-quarry/core/model';
import { replacedLabels } from '@low-quarry/core/records';
import type { EntityManager } from 'typeorm';
import type { Actor } from '../../http/Actor';
import { AppError, notFound, refused, unreadable, versionConflict } from '../../http/AppError';
import type { History } from '../history/History';
import { HistoryStore } from '../history/HistoryStore';
import { PartsStore } from '../library/PartsStore';
import type { FoundRecord } from '../library/readRecords';
import { VehiclesStore } from './VehiclesStore';

type Versioned = { readonly version: number; readonly record: VehicleRecord };
type Began = Pick<
  VehicleRecord,
  'beganAs' | 'openings' | 'panels' | 'spaces' | 'routes' | 'channels' | 'devicePlugs' | 'facts'
>;

export class VehiclesService {
  private readonly vehicles: VehiclesStore;

  constructor(
    private readonly manager: EntityManager,
    private readonly history: History,
    private readonly actor: Pick<Actor, 'personId' | 'roles'>,
    private readonly templates: readonly ListedTemplate[],
  ) {
    this.vehicles = new VehiclesStore(manager);
  }

  search(find: string, page: number, pageSize: number): Promise<FoundVehicles> {
    return this.vehicles.search({ find, page, pageSize });
  }

  async get(id: string): Promise<Versioned> {
    const { version, record } = await this.found(id);
    if (record.ok) return { version, record: record.value };
    throw unreadable('this vehicle', record.failure);
  }

  /**
   * A variant that nobody had written down, with what is usual for its body or what is known of another trim.
   *
   * @param path of the vehicle in the request, for what is refused
   */
  async add({ from, ...variant }: NewVehicle, id: string, path = ''): Promise<Versioned> {
    await this.vehicles.lockNames();
    await this.requireNew(variant, null, path);
    const began =
      from.kind === 'template'
        ? this.fromTemplate(from.templateId, path)
        : await this.fromVariant(from.vehicleId, variant, path);
    return this.insert({ id, ...variant, ...began, note: '', functions: null, disputes: [] }, 1, 'created');
  }

  /** Who is no owner may not replace what somebody else wrote; an owner settles what two see differently. */
  async change(id: string, version: number, record: VehicleRecord): Promise<Versioned> {
    const before = await this.found(id);
    if (id !== record.id) {
      const message = `"${record.id}" was read; it stays "${id}": other records go by it.`;
      throw refused(message, [{ path: 'record.id', message }]);
    }
    await this.requireConnectors(record);
    const double = doublePlace(record.openings);
    if (double !== null) {
      const message = `"${double}" is there twice: give one of them a name of its own.`;
      throw refused(message, [{ path: 'record.openings', message }]);
    }
    const doubled = doublePanel(record.panels);
    if (doubled !== null) {
      const message = `"${doubled}" is there twice: give one of them a name of its own.`;
      throw refused(message, [{ path: 'record.panels', message }]);
    }
    await this.vehicles.lockNames();
    if (before.version !== version) throw versionConflict('this vehicle', await this.get(id));
    if (before.record.ok) await this.requireMayReplace({ version, record: before.record.value }, record);
    await this.requireNew(record, id, 'record.');
    if (!(await this.vehicles.replace(id, version, record))) throw versionConflict('this vehicle', await this.get(id));
    const was = before.record.ok ? before.record.value : before.kept;
    await this.note('changed', id, vehicleName(record), version + 1, was, record);
    return { version: version + 1, record };
  }

  /** @throws where a job, also one in the bin, goes by it */
  async remove(id: string): Promise<void> {
    const { version, kept, record } = await this.found(id);
    if (await this.vehicles.isUsed(id)) {
      const message = 'A job goes by this vehicle: it stays in the library.';
      throw refused(message, [{ path: 'vehicleId', message }]);
    }
    await this.vehicles.remove(id);
    const was = record.ok ? record.value : kept;
    await this.note('deleted', id, record.ok ? vehicleName(record.value) : id, version + 1, was, null);
  }

  /** As `record` says, whether it is there or was removed. */
  async bringBack(record: VehicleRecord): Promise<void> {
    const here = await this.vehicles.find(record.id);
    if (here) await this.change(record.id, here.version, record);
    else {
      await this.vehicles.lockNames();
      await this.requireNew(record, null, 'record.');
      const last = await new HistoryStore(this.manager).lastVersion('vehicle', record.id);
      await this.insert(record, last + 1, 'broughtBack');
    }
  }

  private async insert(record: VehicleRecord, version: number, action: 'created' | 'broughtBack'): Promise<Versioned> {
    await this.vehicles.save([record], version);
    await this.note(action, record.id, vehicleName(record), version, null, record);
    return { version, record };
  }

  private fromTemplate(templateId: string, path: string): Began {
    const found = this.templates.find(({ id }) => id === templateId);
    if (!found) {
      const message = `"${templateId}" is no body template of this program.`;
      throw refused(message, [{ path: `${path}from.templateId`, message }]);
    }
    const { template } = found;
    return {
      beganAs: { kind: 'template', name: template.name },
      openings: [...openingsOfTemplate(template)],
      panels: [...panelsOfTemplate(template)],
      spaces: null,
      routes: null,
      channels: null,
      devicePlugs: null,
      facts: {},
    };
  }

  /** Its sheet metal is the same only where the body is. */
  private async fromVariant(vehicleId: string, variant: Variant, path: string): Promise<Began> {
    const { record } = await this.get(vehicleId);
    for (const key of ['body', 'cab', 'doors'] as const) {
      if (record[key] === variant[key]) continue;
      const message = `${vehicleLabel(record)} has another ${key}: begin with a body template instead.`;
      throw refused(message, [{ path: `${path}${key}`, message }]);
    }
    return {
      beganAs: { kind: 'variant', vehicleId, name: vehicleLabel(record) },
      openings: [...openingsOfOtherVariant(record)],
      ...aroundOfOtherVariant(record),
    };
  }

  private async requireNew(variant: Variant, id: string | null, path: string): Promise<void> {
    const named = await this.vehicles.listNamed(variant.make, variant.model);
    const same = named.find((each) => each.id !== id && isSameVariant(each, variant));
    if (!same) return;
    const message = `${vehicleLabel(same)} is in the library already, and nothing tells the two apart: take that one, or say what differs (years, trim, audio package, market).`;
    throw refused(message, [{ path: `${path}model`, message }]);
  }

  private async requireMayReplace({ version, record }: Versioned, after: VehicleRecord): Promise<void> {
    const { personId, roles } = this.actor;
    const replaced = replacedLabels(record, after);
    if (mayDo('library', roles) || replaced.length === 0) return;
    const others = await new HistoryStore(this.manager).otherAuthors('vehicle', record.id, version, personId);
    if (others?.length === 0) return;
    const who = others ? `written by ${others.join(', ')}` : 'written before the history began';
    throw new AppError(
      403,
      'not-yours',
      'Somebody else wrote that',
      `${replaced.join(', ')}: ${who}. The owner may replace it; what nobody had written you may add.`,
    );
  }

  /** What a record refers to is there when it comes in; should it go later, that is shown where it is used. */
  private async requireConnectors({ openings }: VehicleRecord): Promise<void> {
    const parts = new PartsStore(this.manager);
    for (const [at, { wiring }] of openings.entries()) {
      if (wiring.kind !== 'connector' || (await parts.hasConnector(wiring.connectorId))) continue;
      const message = `"${wiring.connectorId}" is not a connector of this shop.`;
      throw refused(message, [{ path: `record.openings.${at}.wiring.connectorId`, message }]);
    }
  }

  private async found(id: string): Promise<FoundRecord<VehicleRecord>> {
    const vehicle = await this.vehicles.find(id);
    if (!vehicle) throw notFound('vehicle');
    return vehicle;
  }

  private note(
    action: 'created' | 'changed' | 'deleted' | 'broughtBack',
    recordId: string,
    label: string,
    version: number,
    before: unknown,
    after: unknown,
  ): Promise<number> {
    return this.history.note({ kind: 'vehicle', recordId, jobId: null, label, action, version, before, after });
  }
}
