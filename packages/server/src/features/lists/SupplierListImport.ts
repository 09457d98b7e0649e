/** Brings a supplier's list into the library, offers of known parts and new speakers: one change, with one undo. */
import type { PartRecord } from '@low-quarry/core/catalogue';
import type { importList, ListImported } from '@low-quarry/core/contracts/supplierLists';
import type { ListSaid } from '@low-quarry/core/records';
import type { EntityManager } from 'typeorm';
import type { z } from 'zod';
import { refused } from '../../http/AppError';
import type { Say } from '../../tasks/Say';
import type { RunTask } from '../../tasks/tasks';
import type { History } from '../history/History';
import { HistoryStore } from '../history/HistoryStore';
import { PartsImport } from '../library/PartsImport';
import { type KeptPart, PartsStore } from '../library/PartsStore';
import { SettingsStore } from '../settings/SettingsStore';
import { VehiclesStore } from '../vehicles/VehiclesStore';

type Asked = z.output<typeof importList.body>;

/** How it is worked on. */
export type Working = { readonly runTask: RunTask; readonly say: Say; readonly signal: AbortSignal };

export class SupplierListImport {
  constructor(
    private readonly manager: EntityManager,
    private readonly history: History,
  ) {}

  /**
   * @param by who brings it in
   * @throws AppError for a file that is no list, or one without what a list needs: then nothing is changed
   */
  async bringIn(
    { base64, ...asked }: Asked,
    importId: string,
    by: string,
    { runTask, say, signal }: Working,
  ): Promise<ListImported> {
    const { name, supplier, tryOut } = asked;
    const { currency } = await new SettingsStore(this.manager).get();
    const store = new PartsStore(this.manager);
    const from = await store.listAllKept();
    const connectors = await store.listAllConnectors();
    const vehicles = await new VehiclesStore(this.manager).listVariants();
    const remembered = await new HistoryStore(this.manager).lastSaidOf(supplier);
    const task = {
      file: Buffer.from(base64, 'base64'),
      asked,
      currency,
      remembered,
      kept: from,
      connectors,
      vehicles,
      by,
    };
    const planned = await runTask('planList', task, say, signal);
    if (!planned.ok) throw refused(planned.failure, [{ path: 'base64', message: planned.failure }]);
    const { answer, parts, said } = planned.value;
    say('Writing', 0.8);
    if (!tryOut) await this.write(`${supplier}: ${name}`, parts, { said, from }, importId);
    // Whoever stopped it meanwhile wants nothing of it: the transaction it is in ends with the throw.
    signal.throwIfAborted();
    return answer;
  }

  private async write(
    name: string,
    parts: readonly PartRecord[],
    behind: { readonly said: ListSaid | null; readonly from: readonly KeptPart[] },
    importId: string,
  ): Promise<void> {
    await new PartsImport(this.manager, this.history).bringIn(
      name.slice(0, 120),
      { format: 'parts', version: 2, parts: [...parts], connectors: [] },
      importId,
      { tryOut: false, mayReplace: true, ...behind },
    );
  }
}
