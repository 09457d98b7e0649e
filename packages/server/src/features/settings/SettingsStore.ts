/** The shop's settings in the database. */
import type { ShopSettings } from '@low-quarry/core/model';
import { readStored, salvageSettings, toStored } from '@low-quarry/core/records';
import type { EntityManager } from 'typeorm';
import { SettingsEntity } from './SettingsEntity';

const THE_SHOP = 1;

export class SettingsStore {
  constructor(private readonly manager: EntityManager) {}

  /** null in a new database. */
  async find(): Promise<ShopSettings | null> {
    return (await this.findWithKind())?.settings ?? null;
  }

  /** The settings, and whether this is the demo shop. */
  async findWithKind(): Promise<(ReadSettings & { readonly isDemo: boolean }) | null> {
    const row = await this.manager.findOneBy(SettingsEntity, { id: THE_SHOP });
    return row && { ...readSettings(row.settings), isDemo: row.is_demo };
  }

  async get(): Promise<ShopSettings> {
    return (await this.getWithVersion()).settings;
  }

  async getWithVersion(): Promise<ReadSettings & { readonly version: number }> {
    const row = await this.manager.findOneBy(SettingsEntity, { id: THE_SHOP });
    if (!row) throw new Error('SettingsStore.getWithVersion: expected a shop, got an empty database');
    return { version: row.version, ...readSettings(row.settings) };
  }

  /** Which transaction wrote the settings last: another one, other settings. */
  async writtenBy(): Promise<string> {
    const [row] = await this.manager.query(`SELECT "xmin"::text AS "by" FROM "shop" WHERE "id" = $1`, [THE_SHOP]);
    return row?.by ?? 'nobody';
  }

  /** Replaces the settings if they still have the given version; tells whether it did. */
  async replace(version: number, settings: ShopSettings): Promise<boolean> {
    const change = { settings: toStored('settings', settings), version: version + 1 };
    return (await this.manager.update(SettingsEntity, { id: THE_SHOP, version }, change)).affected === 1;
  }

  async insert(settings: ShopSettings, { isDemo }: { readonly isDemo: boolean }): Promise<void> {
    await this.manager.insert(SettingsEntity, {
      id: THE_SHOP,
      settings: toStored('settings', settings),
      is_demo: isDemo,
    });
  }
}

/** Settings that cannot be read whole are shown and can be set right, but nothing is judged by them. */
type ReadSettings = { readonly settings: ShopSettings; readonly unreadable: string | null };

function readSettings(json: unknown): ReadSettings {
  const read = readStored('settings', json);
  return read.ok
    ? { settings: read.value, unreadable: null }
    : { settings: salvageSettings(json), unreadable: read.failure };
}
