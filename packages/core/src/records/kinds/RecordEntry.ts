/** The entry of a kind of record whose changes are kept: everything that anybody needs to know of the kind. */
import type { z } from 'zod';
import type { Permission } from '../../model';
import { type Field, keyField, plainWords } from '../Field';

/** Any record as it was read: not more is known of it. */
export type Raw = Readonly<Record<string, unknown>>;
/** Brings a record of one form to the next. */
export type Upgrade = (record: Raw) => Raw;

export const CHANGE_ACTIONS = ['created', 'changed', 'deleted', 'broughtBack', 'purged'] as const;
export type ChangeAction = (typeof CHANGE_ACTIONS)[number];

export type RecordEntry<Schema extends z.ZodType = z.ZodType> = {
  /** What one of them is called in a list of kinds. */
  readonly word: string;
  /** Of the state that is kept. */
  readonly schema: Schema;
  /** From the first form on: there is one form more than there are upgrades. */
  readonly upgrades: readonly Upgrade[];
  /** What differs between two states is told by these. */
  readonly fieldsOf: (...states: readonly unknown[]) => readonly Field<unknown>[];
  /** Of a state that was not there before, only what tells it from others: all of it would bury the line. */
  readonly firstWords: (state: unknown) => readonly string[];
  /** What somebody did to one of them, before its label. */
  readonly did: Readonly<Record<ChangeAction, string>>;
  /** Who may change one, and bring a state of it back. */
  readonly changedBy: Permission;
  /** Who may read what was changed. */
  readonly seenBy: Permission;
};

type Given<Schema extends z.ZodType, State> = Pick<RecordEntry<Schema>, 'word' | 'schema' | 'did' | 'changedBy'> &
  Partial<Pick<RecordEntry, 'upgrades' | 'seenBy' | 'firstWords'>> & {
    /** By the states where they decide it; null: every key of the records is a field. */
    readonly fields: readonly Field<State>[] | ((...states: readonly State[]) => readonly Field<State>[]) | null;
  };

export function recordEntry<Schema extends z.ZodType, State>(given: Given<Schema, State>): RecordEntry<Schema> {
  const { fields, ...rest } = given;
  return {
    upgrades: [],
    seenBy: 'read',
    firstWords: () => [],
    ...rest,
    fieldsOf: (...states) => {
      const found = typeof fields === 'function' ? fields(...(states as readonly State[])) : fields;
      return (found ?? keysOf(...states)) as readonly Field<unknown>[];
    },
  };
}

/** Every key of records as a field: for those that have no list of their own. */
export function keysOf(...records: readonly unknown[]): readonly Field<Raw>[] {
  const keys = new Set(records.flatMap((record) => Object.keys(record as object)));
  return [...keys].map((key) => keyField<Raw>(key, key, plainWords));
}

export function verbs(created: string, changed: string, deleted: string): Readonly<Record<ChangeAction, string>> {
  return { created, changed, deleted, broughtBack: 'brought back', purged: 'took away for good' };
}
