/** Changes the shop's settings; everything that is judged is judged by the new ones from then on. */
import type { Shop } from '@low-quarry/core/model/shop';
import type { EntityManager } from 'typeorm';
import { versionConflict } from '../../http/AppError';
import type { History } from '../history/History';
import { ShopStore } from './ShopStore';

export type Settings = { readonly version: number; readonly settings: Shop };

export class ShopService {
  private readonly store: ShopStore;

  constructor(
    manager: EntityManager,
    private readonly history: History,
  ) {
    this.store = new ShopStore(manager);
  }

  async change(version: number, settings: Shop): Promise<Settings> {
    const before = await this.store.getWithVersion();
    if (before.version !== version || !(await this.store.replace(version, settings)))
      throw versionConflict('the settings', await this.store.getWithVersion());
    await this.history.note({
      kind: 'settings',
      recordId: 'shop',
      jobId: null,
      label: 'Settings of the shop',
      action: 'changed',
      version: version + 1,
      before: before.settings,
      after: settings,
    });
    return { version: version + 1, settings };
  }
}
