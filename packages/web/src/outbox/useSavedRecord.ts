/**
 * Saves a record from a form: at once where the shop answers, put together with what somebody else saved meanwhile. Where it does not
 * answer the record waits in the outbox, through a reload and whatever else, and the form says so until it is there.
 */
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { AwayError, ProblemError } from '../api/call';
import { isAway, subscribeToConnection } from '../api/connection';
import { draftPrefix, readDraftText } from '../device/drafts';
import { newId } from '../ui/newId';
import { useConflict } from '../ui/useConflict';
import { needsPerson, type SaveRecord } from './Entry';
import { useOutbox } from './OutboxProvider';
import { refreshSaved } from './refreshSaved';
import type { SavedKind } from './saved/SavedKind';

export type Form<Rec> = {
  /** Under which its draft is kept. */
  readonly name: string;
  /** What was handed over is what is typed on from now. */
  readonly onWaits: (handedOver: Rec) => void;
};

type Saving<Rec> = { readonly version: number; readonly base: Rec; readonly record: Rec };

type Options<Rec, Answer> = {
  readonly kind: SavedKind<Rec, Answer>;
  readonly recordId: string;
  /** What it is, for the list of what waits. */
  readonly label: string;
  /** null where nothing is kept of the form: a button, or a sheet. */
  readonly form: Form<Rec> | null;
  readonly onSaved: (answer: Answer) => void;
};

/** Said where an error would be said: it is no reason to type anything again. */
const WAITS = new Error(
  'Not in the shop yet: the server does not answer. It is kept on this device, and saved as soon as the server is back.',
);

export function useSavedRecord<Rec, Answer>({ kind, recordId, label, form, onSaved }: Options<Rec, Answer>) {
  const of = kind.name;
  const queries = useQueryClient();
  const { outbox, entries } = useOutbox();
  const away = useSyncExternalStore(subscribeToConnection, isAway);
  // A form without a name is this one, as long as it is on the screen.
  const [mounted] = useState(newId);
  const name = form?.name ?? mounted;
  // It may be left before the server is given up.
  const [page] = useState(() => window.location.pathname);
  const own = entries.findLast(
    (entry): entry is SaveRecord =>
      entry.kind === 'saveRecord' && entry.of === of && entry.recordId === recordId && entry.formName === name,
  );
  const before = useRef<SaveRecord | null>(null);
  const done = useRef(onSaved);
  done.current = onSaved;
  useEffect(() => {
    const sent = before.current;
    before.current = own ?? null;
    if (own || !sent) return;
    const answer = kind.answer.safeParse(outbox.answerTo(sent.id));
    const typed = draftText(outbox.personId, name);
    // It was dropped by hand, or typed on since: what stands in the form stays.
    if (answer.success && (typed === '' || typed === sent.draft)) done.current(answer.data);
  }, [own, outbox, kind, name]);

  // What was typed between the press and the answer is there by now.
  const formNow = useRef(form);
  formNow.current = form;
  const put = useMutation({
    mutationFn: ({ version, record }: Saving<Rec>) => kind.put(recordId, { version, record }, {}),
    retry: false,
    onSuccess: (answer) => refreshSaved(queries, of, recordId, answer),
    // Also when the form was left before the server was given up.
    onError: (error, { version, base, record }) => {
      if (!(error instanceof AwayError)) return;
      formNow.current?.onWaits(record);
      void outbox.add(toEntry(version, base, record));
    },
  });
  const toEntry = (version: number, base: Rec, record: Rec): SaveRecord => ({
    kind: 'saveRecord',
    ...{ id: newId(), personId: outbox.personId, at: new Date().toISOString(), label, refused: null },
    ...{ of, recordId, version, base, record, clash: null },
    ...{ formName: name, draft: draftText(outbox.personId, name), page },
  });
  const conflict = useConflict<Rec>({
    fieldsOf: kind.fieldsOf,
    read: kind.read,
    save: (on, onError, base) => put.mutate({ ...on, base }, { onSuccess: (answer) => done.current(answer), onError }),
  });
  const send = (version: number, base: Rec, record: Rec) => {
    if (!own) conflict.send(version, base, record);
    else void handOverAgain(own, version, base, record);
  };
  /** What waited, or was refused, is handed over as it is now, on what it was typed on at first: one takes the other's place at once. */
  const handOverAgain = async (earlier: SaveRecord, version: number, base: Rec, record: Rec) => {
    formNow.current?.onWaits(record);
    const again = earlier.clash
      ? toEntry(version, base, record)
      : toEntry(earlier.version, earlier.base as Rec, record);
    await outbox.replace(earlier.id, again);
    // It was sent in that moment: then this is a change on top of it.
    if (!outbox.entries().some(({ id }) => id === again.id)) conflict.send(version, base, record);
  };
  const pick = (entry: SaveRecord, record: Rec) => {
    if (!entry.clash) return;
    const { version, record: theirs } = entry.clash;
    void outbox.replace(entry.id, { ...entry, id: newId(), version, base: theirs, record, clash: null });
  };
  const clash = own?.clash && { entry: own, version: own.clash.version, record: own.clash.record as Rec };
  const panel = clash
    ? {
        fields: kind.fieldsOf(clash.entry.base as Rec, clash.entry.record as Rec, clash.record),
        base: clash.entry.base as Rec,
        mine: clash.entry.record as Rec,
        theirs: clash.record,
        onSave: (record: Rec) => pick(clash.entry, record),
      }
    : conflict.panel;
  const drop = () => {
    conflict.drop();
    put.reset();
    before.current = null;
    if (own) void outbox.remove(own.id);
  };
  const isWaiting = own !== undefined && !needsPerson(own);
  return {
    panel,
    theirs: clash ? { version: clash.version, record: clash.record } : (conflict.conflict?.theirs ?? null),
    send,
    drop,
    error: errorOf(own ?? null, put.error),
    isPending: put.isPending || (isWaiting && !away),
    /** What was handed over, as long as the shop does not have it: what stands in the form then is no draft that one drops. */
    handedOver: own ? { version: own.version, base: own.base as Rec, record: own.record as Rec } : null,
  };
}

function draftText(personId: string, form: string): string {
  return readDraftText(`${draftPrefix(personId)}${form}`) ?? '';
}

function errorOf(waiting: SaveRecord | null, error: Error | null): Error | null {
  if (!waiting) return error;
  if (!waiting.refused) return waiting.clash ? null : WAITS;
  const { type, message, errors } = waiting.refused;
  return new ProblemError({ type, title: message, status: 422, detail: message, errors });
}
