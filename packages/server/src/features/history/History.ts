/**
 * Writes the history within the transaction that changes the record: there is no change without its line, and no line
 * without its change. One `History` is made for each request.
 */

import type { ChangeAction, RecordKind, StateOf } from '@low-quarry/core/records';
import { toStored } from '@low-quarry/core/records';
import type { EntityManager } from 'typeorm';
import type { Actor } from '../../http/Actor';
import { ChangeEntity } from './ChangeEntity';

/** Who changes: a person at a device, or the program by itself. */
export type Author = { readonly personId: string | null; readonly name: string; readonly deviceName: string };

export type NewChange<Kind extends RecordKind> = {
  readonly kind: Kind;
  readonly recordId: string;
  readonly jobId: string | null;
  readonly label: string;
  readonly action: ChangeAction;
  readonly version: number;
  readonly before: (Kind extends keyof StateOf ? StateOf[Kind] : unknown) | null;
  readonly after: (Kind extends keyof StateOf ? StateOf[Kind] : unknown) | null;
};

export class History {
  private undoes: number | null = null;

  constructor(
    private readonly manager: EntityManager,
    private readonly author: Author,
    private readonly at: Date,
    private readonly batch: string,
  ) {}

  /** @returns the line's id */
  async note<Kind extends RecordKind>(change: NewChange<Kind>): Promise<number> {
    const { identifiers } = await this.manager.insert(ChangeEntity, {
      at: this.at,
      batch: this.batch,
      person_id: this.author.personId,
      person_name: this.author.name,
      device_name: this.author.deviceName,
      kind: change.kind,
      record_id: change.recordId,
      job_id: change.jobId,
      label: change.label,
      action: change.action,
      version: change.version,
      before: kept(change.kind, change.before) as object,
      after: kept(change.kind, change.after) as object,
      undoes: this.undoes,
    });
    return (identifiers[0] as { id: number }).id;
  }

  /** What is noted until the work is done takes that change back. */
  async undoing<Answer>(changeId: number, work: () => Promise<Answer>): Promise<Answer> {
    this.undoes = changeId;
    try {
      return await work();
    } finally {
      this.undoes = null;
    }
  }

  get authorName(): string {
    return this.author.name;
  }

  get now(): Date {
    return this.at;
  }
}

function kept(kind: RecordKind, state: unknown): object | null {
  return typeof state === 'object' && state !== null ? toStored(kind, state) : null;
}

/** The history for what one request changes. */
export type OpenHistory = (manager: EntityManager, actor: Actor) => History;

export function authorOf({ personId, name, deviceName }: Actor): Author {
  return { personId, name, deviceName };
}

/** The program itself: the demo shop, the bin that is emptied. */
export function programAuthor(name: string): Author {
  return { personId: null, name, deviceName: 'the server' };
}
