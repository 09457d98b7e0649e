/** Corrects parts of the library. What they are (id and kind) stays: that is their identity. */
import { namedConnectors, type PartRecord, partName, settledByHand } from '@low-quarry/core/catalogue';
import { type ValueOrigin, valueOrigins } from '@low-quarry/core/records';
import type { EntityManager } from 'typeorm';
import { notFound, refused, unreadable, versionConflict } from '../../http/AppError';
import type { History } from '../history/History';
import { HistoryStore } from '../history/HistoryStore';
import { inOwnCurrency } from './inOwnCurrency';
import { MakersBias, makersOf, withOwnBias } from './MakersBias';
import { PartsStore } from './PartsStore';
import type { FoundRecord } from './readRecords';

type Versioned = { readonly version: number; readonly record: PartRecord };

export class LibraryService {
  private readonly parts: PartsStore;

  constructor(
    private readonly manager: EntityManager,
    private readonly history: History,
  ) {
    this.parts = new PartsStore(manager);
  }

  async getPart(id: string): Promise<Versioned> {
    return readable(await this.foundPart(id));
  }

  /** A part that cannot be read any more can be replaced by one that can: that is how it is brought back. */
  async changePart(id: string, version: number, given: PartRecord): Promise<Versioned> {
    const [inCurrency = given] = await inOwnCurrency(this.manager, [given]);
    const before = await this.foundPart(id);
    const kept = before.record.ok ? before.record.value : undefined;
    const record = withOwnBias(withoutPastDoubts(inCurrency), kept);
    requireSame('id', id, record.id);
    if (before.record.ok) requireSame('kind', before.record.value.kind, record.kind);
    for (const { field, id: named } of namedConnectors(record)) await this.requireConnector(named, `record.${field}`);
    if (before.version !== version || !(await this.parts.replacePart(id, version, record)))
      throw versionConflict('this part', await this.getPart(id));
    const was = before.record.ok ? before.record.value : before.kept;
    await this.note(id, partName(record), version + 1, was, record);
    if (!saysOfItsMaker(kept, record)) return { version: version + 1, record };
    await new MakersBias(this.manager).renew(makersOf([was as object, record]));
    return this.getPart(id);
  }

  async originsOf(id: string): Promise<readonly ValueOrigin[]> {
    const { record } = await this.getPart(id);
    return valueOrigins(record, await new HistoryStore(this.manager).stepsOfPart(id));
  }

  /** The version to change, also of a record that cannot be read. */
  async versionOf(id: string): Promise<number> {
    return (await this.foundPart(id)).version;
  }

  /** What a record refers to is there when it comes in; should it go later, that is shown where it is used. */
  private async requireConnector(id: string, path: string): Promise<void> {
    if (await this.parts.hasConnector(id)) return;
    const message = `"${id}" is not a connector of this shop.`;
    throw refused(message, [{ path, message }]);
  }

  private async foundPart(id: string): Promise<FoundRecord<PartRecord>> {
    const part = await this.parts.findPart(id);
    if (!part) throw notFound('part');
    return part;
  }

  private note(recordId: string, label: string, version: number, before: unknown, after: unknown): Promise<number> {
    return this.history.note({ kind: 'part', recordId, jobId: null, label, action: 'changed', version, before, after });
  }
}

/** A doubt about a value that is no more there is about nothing, and one about what was measured is settled. */
function withoutPastDoubts(record: PartRecord): PartRecord {
  return record.kind === 'speaker' ? settledByHand(record) : record;
}

/** Whether what it says of its maker's other parts, or who that is, may be another than before. */
function saysOfItsMaker(before: PartRecord | undefined, after: PartRecord): boolean {
  if (after.kind !== 'speaker') return false;
  if (before?.kind !== 'speaker' || before.maker !== after.maker) return true;
  return before.inHand.length > 0 || after.inHand.length > 0;
}

function readable({ version, record }: FoundRecord<PartRecord>): Versioned {
  if (record.ok) return { version, record: record.value };
  throw unreadable('this part', record.failure);
}

function requireSame(key: string, before: string, after: string): void {
  if (before === after) return;
  const message = `"${after}" was read; it stays "${before}": other records go by it.`;
  throw refused(message, [{ path: `record.${key}`, message }]);
}
