/** Looks through the figures of the library, and puts what is doubted on hold. */
import { openDoubts, partName } from '@low-quarry/core/catalogue';
import { type FiguresDoubted, MOST_DOUBTS_TOLD } from '@low-quarry/core/contracts/libraryDoubts';
import type { EntityManager } from 'typeorm';
import type { Say } from '../../tasks/Say';
import type { RunTask } from '../../tasks/tasks';
import type { History } from '../history/History';
import { PartsImport } from '../library/PartsImport';
import { PartsStore } from '../library/PartsStore';

const LABEL = 'Doubts of figures';

type Working = { readonly runTask: RunTask; readonly say: Say; readonly signal: AbortSignal };

export class FigureDoubts {
  private readonly store: PartsStore;

  constructor(
    private readonly manager: EntityManager,
    private readonly history: History,
  ) {
    this.store = new PartsStore(manager);
  }

  async look(hold: boolean, importId: string, { runTask, say, signal }: Working): Promise<FiguresDoubted> {
    const from = await this.store.listAllKept();
    const kept = from.map((part) => part.kept);
    const { doubted, speakers, notCompared, datums } = await runTask('doubtLibrary', { kept }, say, signal);
    const held = await this.heldOf(doubted.map(({ speaker }) => speaker.id));
    const isHeld = (id: string, figure: string) => held.get(id)?.has(figure) ?? false;
    const fresh = doubted.filter(({ speaker, doubt }) => !isHeld(speaker.id, doubt.figure));
    if (hold && fresh.length > 0) {
      await new PartsImport(this.manager, this.history).bringIn(
        LABEL,
        { format: 'parts', version: 2, parts: fresh.map(({ speaker }) => speaker), connectors: [] },
        importId,
        { tryOut: false, mayReplace: true, from },
      );
    }
    signal.throwIfAborted();
    const told = doubted.toSorted((a, b) => b.doubt.chance - a.doubt.chance).slice(0, MOST_DOUBTS_TOLD);
    return {
      ...{ speakers, notCompared, datums: datums.map((each) => ({ ...each })), found: doubted.length },
      held: hold ? fresh.length : 0,
      doubted: told.map(({ speaker, doubt: { figure, words, chance } }) => ({
        ...{ id: speaker.id, name: partName(speaker), figure, words, chance },
        isHeld: hold || isHeld(speaker.id, figure),
      })),
    };
  }

  /** Figures for which each of these is on hold already. */
  private async heldOf(ids: readonly string[]): Promise<ReadonlyMap<string, ReadonlySet<string>>> {
    const parts = await this.store.listParts(ids);
    return new Map(
      parts.map((part) => [
        part.id,
        new Set(part.kind === 'speaker' ? openDoubts(part).map(({ figure }) => figure) : []),
      ]),
    );
  }
}
