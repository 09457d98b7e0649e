/** Brings a supplier's list into the library, offers of known parts and new parts: one change, with one undo. */
import type { ListImported } from '@low-quarry/core/contracts/supplierLists';
import type { Result } from '@low-quarry/core/result';
import type { EntityManager } from 'typeorm';
import { refused } from '../../http/AppError';
import type { Say } from '../../tasks/Say';
import type { History } from '../history/History';
import { HistoryStore } from '../history/HistoryStore';
import { PartsImport } from '../library/PartsImport';
import { PartsStore } from '../library/PartsStore';
import { SettingsStore } from '../settings/SettingsStore';
import { VehiclesStore } from '../vehicles/VehiclesStore';
import type { AskedOfList } from './ListEntity';
import type { ListTask, PlannedList } from './planList';

/** Where the writing begins, as a share of the whole. */
const PLANNED = 0.6;

export class SupplierListImport {
  /** @param plan works out what the list changes */
  constructor(
    private readonly manager: EntityManager,
    private readonly history: History,
    private readonly plan: (task: ListTask) => Promise<Result<PlannedList, string>>,
  ) {}

  /**
   * @param by who brings it in
   * @throws AppError for a file that is no list, or one without what a list needs: then nothing is changed
   */
  async bringIn(asked: AskedOfList, file: Uint8Array, importId: string, by: string, say: Say): Promise<ListImported> {
    const { name, supplier, tryOut } = asked;
    const { currency } = await new SettingsStore(this.manager).get();
    const store = new PartsStore(this.manager);
    const kept = await store.listAllKept();
    const connectors = await store.listAllConnectors();
    const vehicles = await new VehiclesStore(this.manager).listVariants();
    const remembered = await new HistoryStore(this.manager).lastSaidOf(supplier);
    const planned = await this.plan({ file, asked, currency, remembered, kept, connectors, vehicles, by });
    if (!planned.ok) throw refused(planned.failure, [{ path: 'base64', message: planned.failure }]);
    const { answer, parts, said } = planned.value;
    if (tryOut) return answer;
    await new PartsImport(this.manager, this.history).bringInBatches(
      `${supplier}: ${name}`.slice(0, 120),
      parts,
      importId,
      {
        ...{ said, from: kept },
        wrote: (count) => say('Writing', PLANNED + (1 - PLANNED) * (count / parts.length)),
      },
    );
    return answer;
  }
}
