/** Gathers the parts that were asked for, and has them written as a file. */
import type { partsTable } from '@low-quarry/core/contracts/findParts';
import type { DataSource } from 'typeorm';
import type { z } from 'zod';
import type { SentFile } from '../../http/route';
import { TABLE_TYPES } from '../../http/writeTable';
import type { RunTask } from '../../tasks/tasks';
import { PartsStore } from '../library/PartsStore';
import { SettingsStore } from '../settings/SettingsStore';

export class PartsTable {
  /** @param db apart from what people do */
  constructor(
    private readonly db: DataSource,
    private readonly runTask: RunTask,
  ) {}

  async write({ format, ...asked }: z.output<typeof partsTable.params>, gone: AbortSignal): Promise<SentFile> {
    const kept = await new PartsStore(this.db.manager).listFound(asked);
    const { currency } = await new SettingsStore(this.db.manager).get();
    const bytes = await this.runTask(
      'writePartsTable',
      { format, kind: asked.kind ?? 'speaker', kept, currency } as const,
      () => {},
      gone,
    );
    return { name: `parts.${format}`, type: TABLE_TYPES[format], bytes };
  }
}
