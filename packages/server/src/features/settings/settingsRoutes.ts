import { getSettings, putSettings } from '@low-quarry/core/contracts/settings';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { route, write } from '../../http/route';
import type { OpenHistory } from '../history/History';
import { SettingsService } from './SettingsService';
import { SettingsStore } from './SettingsStore';

export function settingsRoutes(router: Router, db: DataSource, openHistory: OpenHistory): void {
  route(router, getSettings, () => new SettingsStore(db.manager).getWithVersion());
  write(router, db, putSettings, ({ body, manager, actor }) =>
    new SettingsService(manager, openHistory(manager, actor)).change(body.version, body.settings),
  );
}
