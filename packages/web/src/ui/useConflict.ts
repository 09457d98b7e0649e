/**
 * A save that somebody else was quicker with: what does not overlap is sent again at once, put together; what does is asked
 * about. For records that are saved from a form; openings go through the outbox.
 */
import { type Field, mergeChanges } from '@low-quarry/core/records';
import { useState } from 'react';
import { ProblemError } from '../api/call';

type Versioned<Rec> = { readonly version: number; readonly record: Rec };
export type Conflict<Rec> = { readonly base: Rec; readonly mine: Rec; readonly theirs: Versioned<Rec> };

type Options<Rec> = {
  /** Of these records. */
  readonly fieldsOf: (...records: readonly Rec[]) => readonly Field<Rec>[];
  /** What is stored, out of the answer that refuses; null when that is not readable. */
  readonly read: (current: unknown) => Versioned<Rec> | null;
  /** Saves on a version; told of a refusal. */
  readonly save: (on: Versioned<Rec>, onError: (error: Error) => void, base: Rec) => void;
};

export function useConflict<Rec>({ fieldsOf, read, save }: Options<Rec>) {
  const [conflict, setConflict] = useState<Conflict<Rec> | null>(null);
  const send = (version: number, base: Rec, record: Rec) => {
    setConflict(null);
    const onError = (error: Error) => {
      const isConflict = error instanceof ProblemError && error.problem.type === '/problems/version-conflict';
      const theirs = isConflict ? read(error.problem.current) : null;
      if (!theirs) return;
      const { merged, clashes } = mergeChanges(fieldsOf(base, record, theirs.record), base, record, theirs.record);
      if (clashes.length === 0) send(theirs.version, theirs.record, merged);
      else setConflict({ base, mine: record, theirs });
    };
    save({ version, record }, onError, base);
  };
  // What the panel that asks is given; the caller says what "theirs" means to its form.
  const panel = conflict && {
    fields: fieldsOf(conflict.base, conflict.mine, conflict.theirs.record),
    base: conflict.base,
    mine: conflict.mine,
    theirs: conflict.theirs.record,
    onSave: (record: Rec) => send(conflict.theirs.version, conflict.theirs.record, record),
  };
  return { conflict, panel, send, drop: () => setConflict(null) };
}
