/** Changes the shop's settings; everything that is judged is judged by the new ones from then on. */
import { madeRings } from '@low-quarry/core/fit';
import { type ShopSettings, toFitRules } from '@low-quarry/core/model';
import type { EntityManager } from 'typeorm';
import { versionConflict } from '../../http/AppError';
import { ChoicesStore } from '../choices/ChoicesStore';
import type { History } from '../history/History';
import { SettingsStore } from './SettingsStore';

export type Settings = { readonly version: number; readonly settings: ShopSettings; readonly findings: string[] };

export class SettingsService {
  private readonly store: SettingsStore;
  private readonly choices: ChoicesStore;

  constructor(
    manager: EntityManager,
    private readonly history: History,
  ) {
    this.store = new SettingsStore(manager);
    this.choices = new ChoicesStore(manager);
  }

  async change(version: number, settings: ShopSettings): Promise<Settings> {
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
    return { version: version + 1, settings, findings: await this.namedNoMore(before.settings, settings) };
  }

  /** A shop may well stop cutting rings and plates from a sheet; whoever does so is told what was chosen with one. */
  private async namedNoMore(before: ShopSettings, after: ShopSettings): Promise<string[]> {
    const gone = madeRings(toFitRules(before)).filter(
      ({ id }) => !madeRings(toFitRules(after)).some((ring) => ring.id === id),
    );
    const rings = await this.choices.countByLayer(gone.map(({ id }) => id));
    const sheets = before.stock
      .map(({ thicknessMm }) => thicknessMm)
      .filter((mm) => !after.stock.some(({ thicknessMm }) => thicknessMm === mm));
    const plates = await this.choices.countByPlate(sheets);
    return [
      ...gone.flatMap(({ id, name }) => namedNoMoreWords(rings.get(id), name)),
      ...sheets.flatMap((mm) => namedNoMoreWords(plates.get(mm), `plate cut from ${mm} mm sheet`)),
    ];
  }
}

function namedNoMoreWords(count = 0, name: string): readonly string[] {
  if (count === 0) return [];
  return [`${count} ${count === 1 ? 'choice names' : 'choices name'} a ${name}: no longer judged until chosen again.`];
}
