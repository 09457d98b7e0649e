/** Reads the history. Only `History` writes it. */
import type { Change } from '@low-quarry/core/contracts/history';
import type { RecordKind } from '@low-quarry/core/records/recordKinds';
import { readStored } from '@low-quarry/core/records/storedRecord';
import type { EntityManager } from 'typeorm';
import { ChangeEntity, type ChangeRow } from './ChangeEntity';

export type HistoryQuery = {
  readonly kind?: RecordKind | undefined;
  readonly record?: string | undefined;
  readonly job?: string | undefined;
  readonly person?: string | undefined;
  readonly find?: string | undefined;
  readonly before?: number | undefined;
  /** Kinds that the reader may not see. */
  readonly without?: readonly RecordKind[];
};

export class HistoryStore {
  constructor(private readonly manager: EntityManager) {}

  /** The last first. Words are looked for in what was changed, where, by whom and at which device. */
  async list(
    { kind, record, job, person, find, before, without = [] }: HistoryQuery,
    most: number,
  ): Promise<readonly Change[]> {
    const query = this.manager.createQueryBuilder(ChangeEntity, 'change').orderBy('change.id', 'DESC').limit(most);
    if (without.length > 0) query.andWhere('change.kind NOT IN (:...without)', { without });
    if (kind) query.andWhere('change.kind = :kind', { kind });
    if (record) query.andWhere('change.record_id = :record', { record });
    if (job) query.andWhere('change.job_id = :job', { job });
    if (person) query.andWhere('change.person_id = :person', { person });
    if (before) query.andWhere('change.id < :before', { before });
    for (const [at, word] of (find ?? '').split(/\s+/).filter(Boolean).entries()) {
      const like = `%${word.replace(/[\\%_]/g, '\\$&')}%`;
      query.andWhere(
        `(change.label || ' ' || change.person_name || ' ' || change.device_name || ' ' || change.kind || ' ' ||
          coalesce(change.before::text, '') || coalesce(change.after::text, '')) ILIKE :word${at}`,
        { [`word${at}`]: like },
      );
    }
    return (await query.getMany()).map(toChange);
  }

  async find(id: number): Promise<Change | null> {
    const row = await this.manager.findOneBy(ChangeEntity, { id });
    return row && toChange(row);
  }

  /** The record's version as the history knows it, 0 where it knows none. */
  async lastVersion(kind: RecordKind, recordId: string): Promise<number> {
    return (await this.manager.maximum(ChangeEntity, 'version', { kind, record_id: recordId })) ?? 0;
  }

  /** Whether the record was changed after a change, and that was not taken back. */
  async isOvertaken({ kind, recordId, version }: Change): Promise<boolean> {
    const later = await this.manager
      .createQueryBuilder(ChangeEntity, 'change')
      .where('change.kind = :kind AND change.record_id = :recordId AND change.version > :version', {
        kind,
        recordId,
        version,
      })
      .andWhere('change.undoes IS NULL')
      .andWhere('NOT EXISTS (SELECT 1 FROM "change" undo WHERE undo.undoes = change.id)')
      .getCount();
    return later > 0;
  }

  /** The last batch of a person's since a moment that was not itself an undo and was not taken back, the last change first. */
  async lastUndoable(personId: string, since: Date): Promise<readonly Change[]> {
    const rows = await this.manager
      .createQueryBuilder(ChangeEntity, 'change')
      .where(
        `change.batch = (SELECT last.batch FROM "change" last
          WHERE last.person_id = :personId AND last.at >= :since AND last.undoes IS NULL AND last.kind <> 'person'
            AND NOT EXISTS (SELECT 1 FROM "change" later WHERE later.undoes = last.id)
          ORDER BY last.id DESC LIMIT 1)`,
        { personId, since },
      )
      .orderBy('change.id', 'DESC')
      .getMany();
    return rows.map(toChange);
  }
}

export function toChange(row: ChangeRow): Change {
  return {
    id: row.id,
    at: row.at.toISOString(),
    personId: row.person_id,
    personName: row.person_name,
    deviceName: row.device_name,
    kind: row.kind,
    recordId: row.record_id,
    jobId: row.job_id,
    label: row.label,
    action: row.action,
    version: row.version,
    before: stateOf(row.kind, row.before),
    after: stateOf(row.kind, row.after),
    undoes: row.undoes,
  };
}

/** In today's form; a state that cannot be brought to it stays as it is kept, for a person to read. */
function stateOf(kind: RecordKind, state: unknown): unknown {
  if (state === null) return null;
  const read = readStored(kind, state);
  return read.ok ? read.value : state;
}
